/** An element of a picture: its name, its attributes, and what stands in it. */
export type Shape = readonly [
  name: 'rect' | 'path' | 'line' | 'text' | 'g' | 'defs' | 'pattern',
  attributes: Readonly<Record<string, string | number>>,
  inside?: string | readonly Shape[],
];

export interface Drawing {
  /** Pixels. */
  width: number;
  height: number;
  shapes: readonly Shape[];
}

/** For words over lines: they stand on a rim of the ground. */
export const onRim = (ground: string) => ({
  ...{ stroke: ground, 'stroke-width': 3, 'stroke-linejoin': 'round', 'paint-order': 'stroke' },
});

const space = 'http://www.w3.org/2000/svg';

/** A drawing as the text of an SVG file, on a ground of that colour. The browser's own serializer guards whatever names hold. */
export function svgText({ width, height, shapes }: Drawing, ground: string): string {
  const root = document.createElementNS(space, 'svg');
  const put = (parent: Element, [name, attributes, inside = []]: Shape) => {
    const element = document.createElementNS(space, name);
    for (const [key, value] of Object.entries(attributes)) element.setAttribute(key, String(value));
    if (typeof inside === 'string') element.textContent = inside;
    else for (const shape of inside) put(element, shape);
    parent.append(element);
  };
  const size = { width, height };
  for (const [key, value] of Object.entries(size)) root.setAttribute(key, String(value));
  root.setAttribute('viewBox', `0 0 ${width} ${height}`);
  root.setAttribute('font-family', 'Atkinson Hyperlegible Next, sans-serif');
  put(root, ['rect', { ...size, fill: ground }]);
  for (const shape of shapes) put(root, shape);
  return new XMLSerializer().serializeToString(root);
}

/** Twice as many pixels, so that it stays sharp on paper. */
const pngScale = 2;

/** The same as a PNG; rejects where the browser can’t draw it. */
export async function pngOf(svg: string, { width, height }: Drawing): Promise<Blob> {
  const url = URL.createObjectURL(new Blob([svg], { type: 'image/svg+xml' }));
  try {
    const image = new Image();
    image.src = url;
    await image.decode();
    const canvas = document.createElement('canvas');
    canvas.width = width * pngScale;
    canvas.height = height * pngScale;
    canvas.getContext('2d')?.drawImage(image, 0, 0, canvas.width, canvas.height);
    const png = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/png'));
    if (!png) throw new Error('The picture is too large to be drawn');
    return png;
  } finally {
    URL.revokeObjectURL(url);
  }
}
