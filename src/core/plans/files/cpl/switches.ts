import type { RingPlan } from '@/core/setup';
import { timesOf } from '../times';
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

const otherwiseOf = ({ children }: XmlElement) => children.find(({ name }) => name === 'otherwise');
const caseOf = ({ children }: XmlElement) => children.find(({ name }) => name === 'time');
const hasTimes = ({ name, children }: XmlElement, times: readonly Record<string, string>[]) =>
  name === 'time-switch' &&
  JSON.stringify(children.filter((each) => each.name === 'time').map(({ attributes }) => attributes)) ===
    JSON.stringify(times);

/**
 * The switches that say a plan's working hours, where they say those of this plan: what is done within them (or
 * outside, as asked), and the sub-action to which all else leads. null where they are others.
 */
export function workingSwitch(
  first: XmlElement | undefined,
  isIn: boolean,
  { workingHours = [], daysOff = [] }: RingPlan,
): { body: XmlElement; next: XmlElement } | null {
  const off = daysOff.length > 0 ? first : undefined;
  const week = off ? otherwiseOf(off)?.children[0] : first;
  if (!week || !hasTimes(week, timesOf.windows(workingHours))) return null;
  if (off && !hasTimes(off, timesOf.days(daysOff))) return null;
  const [body, other] = isIn ? [caseOf(week), otherwiseOf(week)] : [otherwiseOf(week), caseOf(week)];
  const next = other?.children[0];
  return body && next?.name === 'sub' ? { body, next } : null;
}
