/** What it must fit into: so many bytes, and a longer side of the first of these, then smaller until it fits. */
interface Limits {
  mostBytes: number;
  sides: readonly number[];
}

/** What carriers take of a picture. */
const forTexts: Limits = { mostBytes: 300_000, sides: [1280, 960, 640, 480, 320] };
const quality = 0.8;

export type Shrunk =
  { ok: true; file: Blob; width: number; height: number } | { ok: false; sentence: string };

/** Makes a picture as small as it has to be, as JPEG; whatever it was before. */
export async function shrinkPicture(file: Blob, { mostBytes, sides } = forTexts): Promise<Shrunk> {
  const bitmap = await createImageBitmap(file).catch(() => null);
  if (!bitmap) return { ok: false, sentence: 'This picture can’t be read.' };
  for (const side of sides) {
    const scale = Math.min(1, side / Math.max(bitmap.width, bitmap.height));
    const [width, height] = [Math.round(bitmap.width * scale), Math.round(bitmap.height * scale)];
    const canvas = new OffscreenCanvas(Math.max(1, width), Math.max(1, height));
    canvas.getContext('2d')?.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
    const made = await canvas.convertToBlob({ type: 'image/jpeg', quality });
    if (made.size > mostBytes) continue;
    return {
      ok: true,
      file: made,
      width: canvas.width,
      height: canvas.height,
    };
  }
  return { ok: false, sentence: 'This picture can’t be made small enough.' };
}

/** A file as an address of its own. */
export function dataUrl(file: Blob): Promise<string> {
  return new Promise((resolve) => {
    const reader = new FileReader();
    reader.onload = () => resolve(String(reader.result));
    reader.readAsDataURL(file);
  });
}
