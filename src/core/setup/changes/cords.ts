import { strokes, type Line, type OfficeSetup } from '../setup';

/** A cord that no line has, as far as there is one. */
export function freeCord({ lines }: Pick<OfficeSetup, 'lines'>): Line['cord'] {
  for (const stroke of strokes)
    for (let hue = 0; hue < 6; hue++)
      if (!lines.some(({ cord }) => cord.hue === hue) && !lines.some(({ cord }) => cord.stroke === stroke))
        return { hue, stroke };
  const all = strokes.flatMap((stroke) => [0, 1, 2, 3, 4, 5].map((hue) => ({ hue, stroke })));
  const isTaken = ({ hue, stroke }: Line['cord']) =>
    lines.some(({ cord }) => cord.hue === hue && cord.stroke === stroke);
  return all.find((cord) => !isTaken(cord)) ?? { hue: 0, stroke: 'solid' };
}
