import ICAL from 'ical.js';

/** A small file can ask for work without an end; no event that people keep needs more than this. */
const limits = {
  /** Dates looked at, whether they are of the rule or not: a daily event since 1900 needs 46,000. */
  steps: 100_000,
  interval: 1_000,
  occurrences: 1_000,
} as const;

/**
 * When an event takes place between two days (keys as "2026-11-26", both included), in order, the first thousand times.
 * Throws, with the reason, where its rule repeats within the day, at an interval beyond all use, or where no date that
 * fits it can be found.
 */
export function occurrencesOf(
  { component, startDate }: ICAL.Event,
  from: string,
  until: string,
): ICAL.Time[] {
  const rules = component.getAllProperties('rrule').map((property) => property.getFirstValue());
  const left = new Set(datesOf(component, 'exdate').map(instantKey));
  const found = new Map<string, ICAL.Time>();
  const add = (time: ICAL.Time) => {
    const day = dayOf(time);
    const isIn = rules.length === 0 || (day >= from && day <= until);
    if (isIn && !left.has(instantKey(time))) found.set(instantKey(time), time);
  };
  add(startDate);
  datesOf(component, 'rdate').forEach(add);
  for (const rule of rules) {
    let count = 0;
    for (const time of datesOfRule(rule, startDate)) {
      if (dayOf(time) > until || count >= limits.occurrences) break;
      if (dayOf(time) >= from) count++;
      add(time);
    }
  }
  return [...found.values()].sort((a, b) => a.compare(b)).slice(0, limits.occurrences);
}

const dayOf = (time: ICAL.Time) => time.toString().slice(0, 10);
const instantKey = (time: ICAL.Time) => (time.isDate ? dayOf(time) : String(time.toUnixTime()));

function datesOf(component: ICAL.Component, name: 'exdate' | 'rdate'): ICAL.Time[] {
  return component
    .getAllProperties(name)
    .flatMap((property) => property.getValues() as unknown[])
    .flatMap((value) =>
      value instanceof ICAL.Time ? value : value instanceof ICAL.Period ? value.start : [],
    );
}

const calm = ['DAILY', 'WEEKLY', 'MONTHLY', 'YEARLY'];

function* datesOfRule(rule: unknown, start: ICAL.Time): Generator<ICAL.Time, void> {
  if (!(rule instanceof ICAL.Recur)) throw new Error('its rule can’t be read');
  if (!calm.includes(rule.freq)) throw new Error('it repeats within the day');
  if (rule.interval > limits.interval) throw new Error('it repeats too rarely');
  const dates = rule.iterator(start) as unknown as DateWalk;
  // The library tries dates until one fits, without an end of its own.
  const check = dates.check_contracting_rules.bind(dates);
  let steps = 0;
  dates.check_contracting_rules = () => {
    if (++steps > limits.steps) throw new Error('no date that fits its rule was found');
    return check();
  };
  for (let next = dates.next(); next; next = dates.next()) {
    yield next.clone();
    if (++steps > limits.steps) return;
  }
}

/** What there is of the library's walk through a rule's dates. */
interface DateWalk {
  next(): ICAL.Time | null;
  /** Whether the date it stands at is of the rule; asked at every one. */
  check_contracting_rules(): boolean;
}

/** Whether a zone's lines describe changes that come more than once a month: no clock is changed so often. */
export function isEndlessZone(lines: readonly string[]): boolean {
  return lines.some((line) => {
    const rule = /^RRULE(?:;[^:]*)?:(.*)$/i.exec(line.trim())?.[1];
    if (rule === undefined) return false;
    const part = (name: string) => new RegExp(`(?:^|;)${name}=([^;]*)`, 'i').exec(rule)?.[1]?.toUpperCase();
    return (
      !['YEARLY', 'MONTHLY'].includes(part('FREQ') ?? '') || Number(part('INTERVAL') ?? 1) > limits.interval
    );
  });
}
