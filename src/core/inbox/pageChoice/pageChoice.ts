export type ReadPageChoice = { ok: true; pages: number[] } | { ok: false; sentence: string };

/**
 * Which pages of a file of `count` pages are meant, from 1 on, in their order and each once: "2", "1-3, 7", "4-" (to the
 * end), "-3". Nothing typed means all of them.
 */
export function readPageChoice(text: string, count: number): ReadPageChoice {
  const chosen = new Set<number>();
  const parts = text.replace(/\s*[-\u2013]\s*/g, '-').split(/[\s,;]+/);
  for (const part of parts.filter((each) => each !== '')) {
    const found = /^(?<from>\d{0,9})(?<range>-?)(?<to>\d{0,9})$/.exec(part)?.groups;
    if (!found || (found['from'] === '' && found['to'] === ''))
      return { ok: false, sentence: `“${part}” is not a page. Write pages as 1-3, 7.` };
    const first = found['from'] === '' ? 1 : Number(found['from']);
    const last = found['range'] === '' ? first : found['to'] === '' ? count : Number(found['to']);
    const outside = [first, last].find((page) => page < 1 || page > count);
    if (outside !== undefined)
      return { ok: false, sentence: `There is no page ${outside}, the last is ${count}.` };
    if (last < first) return { ok: false, sentence: `${part} goes backwards.` };
    for (let page = first; page <= last; page++) chosen.add(page);
  }
  const pages = [...chosen].sort((a, b) => a - b);
  return { ok: true, pages: pages.length > 0 ? pages : Array.from({ length: count }, (_, at) => at + 1) };
}

/** The same as it would be typed: "1-3, 7". */
export function writePageChoice(pages: readonly number[]): string {
  const runs: [number, number][] = [];
  for (const page of pages) {
    const run = runs.at(-1);
    if (run && page === run[1] + 1) run[1] = page;
    else runs.push([page, page]);
  }
  return runs.map(([from, to]) => (from === to ? `${from}` : `${from}-${to}`)).join(', ');
}
