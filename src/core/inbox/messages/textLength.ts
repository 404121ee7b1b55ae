/**
 * How the network counts a text (3GPP TS 23.038 §6.2.1, TS 23.040 §9.2.3.24.1): letters of the GSM alphabet are seven
 * bits each, those of its extension table two times seven; one letter outside makes the whole text UCS-2, 16 bits a
 * unit. A text of several parts gives up some of each for the header that joins them.
 */
const basic =
  '@£$¥èéùìòÇ\nØø\rÅåΔ_ΦΓΛΩΠΨΣΘΞÆæßÉ !"#¤%&\'()*+,-./0123456789:;<=>?¡ABCDEFGHIJKLMNOPQRSTUVWXYZÄÖÑÜ§¿abcdefghijklmnopqrstuvwxyzäöñüà';
const extended = '\f^{}\\[~]|€';

const unitsOf = new Map<string, number>([
  ...[...basic].map((letter) => [letter, 1] as const),
  ...[...extended].map((letter) => [letter, 2] as const),
]);

const limits = { gsm7: { single: 160, joined: 153 }, ucs2: { single: 70, joined: 67 } };

export interface TextLength {
  encoding: 'gsm7' | 'ucs2';
  /** Septets or UCS-2 units of the whole text, without headers. */
  units: number;
  /** How the network cuts it; joined they are the text. */
  parts: string[];
  /** Units that the last part still takes. */
  left: number;
  /** The letters that make it UCS-2, each once. */
  foreign: string[];
}

const segmenter = new Intl.Segmenter('en', { granularity: 'grapheme' });
/** What is seen as one letter; an emoji with all that belongs to it. */
const graphemes = (text: string) => [...segmenter.segment(text)].map(({ segment }) => segment);

/** Counts a text and cuts it into parts; what is seen as one letter is never cut, as far as it fits a part at all. */
export function measureText(text: string): TextLength {
  const foreign = [
    ...new Set(graphemes(text).filter((letter) => [...letter].some((each) => !unitsOf.has(each)))),
  ];
  const encoding = foreign.length === 0 ? 'gsm7' : 'ucs2';
  const sizeOf = (piece: string) =>
    encoding === 'ucs2'
      ? piece.length
      : [...piece].reduce((sum, letter) => sum + (unitsOf.get(letter) ?? 1), 0);
  const units = sizeOf(text);
  const { single, joined } = limits[encoding];
  if (units <= single)
    return { encoding, units, parts: text === '' ? [] : [text], left: single - units, foreign };

  const parts: string[] = [];
  let part = '';
  let size = 0;
  for (const letter of graphemes(text).flatMap((each) => (sizeOf(each) > joined ? [...each] : [each]))) {
    const own = sizeOf(letter);
    if (size + own > joined) {
      parts.push(part);
      part = '';
      size = 0;
    }
    part += letter;
    size += own;
  }
  return { encoding, units, parts: [...parts, part], left: joined - size, foreign };
}

/** "142 left", "2 parts, 41 left": what stands beside the field. */
export function lengthWords({ parts, left }: TextLength): string {
  return parts.length > 1 ? `${parts.length} parts, ${left} left` : `${left} left`;
}
