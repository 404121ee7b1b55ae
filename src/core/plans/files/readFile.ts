import type { OfficeIndex, RingPlan } from '@/core/setup';
import { readCalendar, type ReadCalendar } from './calendar';
import { readCpl, type ReadCpl } from './cpl';
import { readPlanFile, type ReadPlanFile } from './planFile';

/** What a file of any of the formats holds, by what it begins with or else by its name. */
export type ReadPlansFile =
  | { kind: 'calendar'; read: ReadCalendar }
  | { kind: 'json'; read: ReadPlanFile }
  | { kind: 'cpl'; read: ReadCpl };

/** Reads a CPL script, a calendar or a plan as JSON. `now` is epoch milliseconds. */
export function readPlansFile(
  { name, text }: { name: string; text: string },
  plan: RingPlan,
  office: OfficeIndex,
  now: number,
): ReadPlansFile {
  const begin = text.trimStart().slice(0, 40);
  if (/^BEGIN:VCALENDAR/i.test(begin) || name.endsWith('.ics'))
    return { kind: 'calendar', read: readCalendar(text, office.setup.zone, now) };
  if (begin.startsWith('{') || name.endsWith('.json'))
    return { kind: 'json', read: readPlanFile(text, plan.personId, office) };
  return { kind: 'cpl', read: readCpl(text, plan, office, now) };
}
