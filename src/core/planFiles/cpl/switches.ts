import type { XmlElement } from './xml';

/**
 * The sub-action to which a switch leads in the end: its otherwise, or that of a further switch there whose cases do
 * the same as its own. null where it is none.
 */
export function leadsTo(element: XmlElement): string | null {
  const rest = otherwiseOf(element)?.children[0];
  if (rest?.name === 'sub') return rest.attributes['ref'] ?? null;
  if (rest?.name !== element.name) return null;
  const bodies = new Set([...casesOf(element), ...casesOf(rest)].map(({ children }) => bodyOf(children)));
  return bodies.size === 1 ? leadsTo(rest) : null;
}

const casesOf = ({ children }: XmlElement) => children.filter(({ name }) => name !== 'otherwise');

/**
 * Whether a case that leads on to `next` needs no rule for that: only where nothing that follows in the switch could
 * take its calls first, since it is the same, and what holds otherwise is `next` too.
 */
export function maySkip(next: string | null, outer: string | null, cases: readonly XmlElement[]): boolean {
  if (next === null || (outer !== null && outer !== next)) return false;
  const bodies = new Set(cases.map(({ children }) => bodyOf(children)));
  return bodies.size === 1;
}

const bodyOf = (children: readonly XmlElement[]): string =>
  JSON.stringify(children, (key, value: unknown) => (key === 'line' ? undefined : value));

export const otherwiseOf = ({ children }: XmlElement) => children.find(({ name }) => name === 'otherwise');
export const caseOf = ({ children }: XmlElement) => children.find(({ name }) => name === 'time');
export const hasTimes = ({ name, children }: XmlElement, times: readonly Record<string, string>[]) =>
  name === 'time-switch' &&
  JSON.stringify(children.filter((each) => each.name === 'time').map(({ attributes }) => attributes)) ===
    JSON.stringify(times);
