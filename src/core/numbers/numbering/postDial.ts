/**
 * Digits sent after the answer, with the pauses between: DTMF characters (RFC 4733 §3.2), `p` for a
 * one-second pause and `w` for a wait for dial tone (both RFC 2806 §2.2).
 */
const postDialPattern = /^[pw][0-9A-D*#pw]*[0-9A-D*#][pw]*$/;

const longest = 64;

/** How long each pause lasts. A waiting phone can't hear a dial tone over the line, so `w` is a fixed time too. */
export const pauseMs = { p: 1000, w: 3000 } as const;

/**
 * Brings the usual writings of post-dial digits ("," and ";" of phone books, capital letters) into one form.
 * A comma is two seconds; where no pause leads, one is put before the first digit, so that the answer is over.
 * Returns null where it holds anything else, no digit, or more than 64 characters.
 */
export function normalisePostDial(text: string): string | null {
  const normal = text
    .replace(/[\s().-]/g, '')
    .replace(/,/g, 'pp')
    .replace(/;/g, 'w')
    .replace(/[PW]/g, (letter) => letter.toLowerCase())
    .replace(/[a-d]/g, (letter) => letter.toUpperCase())
    .replace(/^(?=[^pw])/, 'p');
  if (!postDialPattern.test(normal) || normal.length > longest) return null;
  return normal;
}

/** The digits of a post-dial string, each with its offset after the answer in milliseconds. */
export function postDialSchedule(
  postDial: string,
  betweenDigitsMs = 150,
): { digit: string; afterMs: number }[] {
  const schedule: { digit: string; afterMs: number }[] = [];
  let afterMs = 0;
  for (const character of postDial) {
    if (character === 'p' || character === 'w') {
      afterMs += pauseMs[character];
    } else {
      schedule.push({ digit: character, afterMs });
      afterMs += betweenDigitsMs;
    }
  }
  return schedule;
}
