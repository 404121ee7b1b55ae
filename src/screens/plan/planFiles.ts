import type { OfficeIndex, RingPlan } from '@/core/setup';
import {
  writeCalendar,
  writeCpl,
  writeOfficeFile,
  writePlanFile,
  type ReadCalendar,
  type ReadCpl,
  type ReadPlanFile,
} from '@/core/plans/files';
import { describeRule } from '@/core/plans/editing';
import { hoursWords } from '@/core/plans/hours';
import type { PlanFileAnswer } from '@/workers/readPlanFileBeside';

/** What a file holds, before anything is taken of it. */
export interface ReadFile {
  sentence: string;
  /** What comes in and what does not, with lines. */
  lines: string[];
  /** null where nothing can be taken. */
  change: ((plan: RingPlan) => RingPlan) | null;
}

const refused = (sentence: string): ReadFile => ({ sentence, lines: [], change: null });
const counted = (count: number, one: string, many: string) => `${count} ${count === 1 ? one : many}`;

/** What was read, as it is shown before it is taken. */
export function shownFile(answer: PlanFileAnswer, plan: RingPlan, office: OfficeIndex): ReadFile {
  switch (answer.kind) {
    case 'tooLong':
      return refused('It could not be read within ten seconds, and was left alone.');
    case 'failed':
      return refused('It could not be read: this part of the app has not been fetched.');
    case 'calendar':
      return calendar(answer.read);
    case 'json':
      return json(answer.read, plan, office);
    case 'cpl':
      return cpl(answer.read, plan, office);
  }
}

function cpl(read: ReadCpl, plan: RingPlan, office: OfficeIndex): ReadFile {
  if (!read.ok) return refused(`It can’t be read. Line ${read.line}: ${read.reason}`);
  return {
    sentence: `${counted(read.rules.length, 'rule', 'rules')} in place of your ${plan.rules.length}.`,
    lines: [
      ...read.rules.map((rule) => describeRule(rule, office, plan.personId)),
      ...read.notes.map(({ line, reason }) => `Line ${line}: ${reason}`),
    ],
    change: (old) => ({ ...old, rules: read.rules }),
  };
}

/** What is there already comes in once. */
function withNew<T>(old: readonly T[] = [], added: readonly T[]): T[] {
  const known = new Set(old.map((each) => JSON.stringify(each)));
  return [...old, ...added.filter((each) => !known.has(JSON.stringify(each)))];
}

function calendar(read: ReadCalendar): ReadFile {
  if (!read.ok) return refused(`It can’t be read. Line ${read.line}: ${read.reason}`);
  const { daysOff, meetings, workingHours, notes } = read;
  const left = notes.map(({ line, reason }) => `Line ${line}: ${reason}`);
  if (daysOff.length + meetings.length + workingHours.length === 0)
    return { ...refused('It holds nothing still to come.'), lines: left };
  return {
    sentence: `${workingHours.length > 0 ? 'A working week, ' : ''}${counted(daysOff.length, 'stretch of days off', 'stretches of days off')} and ${counted(meetings.length, 'meeting', 'meetings')}.`,
    lines: [
      ...(workingHours.length > 0 ? [`Working week: ${hoursWords(workingHours)}, in place of yours`] : []),
      ...daysOff.map(({ from, to, name }) => `${from === to ? from : `${from} to ${to}`} ${name}`),
      ...left,
    ],
    change: (old) => ({
      ...old,
      ...(workingHours.length > 0 && { workingHours }),
      daysOff: withNew(old.daysOff, daysOff),
      meetings: withNew(old.meetings, meetings),
    }),
  };
}

function json(read: ReadPlanFile, plan: RingPlan, office: OfficeIndex): ReadFile {
  if (!read.ok) return refused(read.reason);
  return {
    sentence: `A ring plan of ${counted(read.plan.rules.length, 'rule', 'rules')}.`,
    lines: read.plan.rules.map((rule) => describeRule(rule, office, plan.personId)),
    change: () => read.plan,
  };
}

export const savedKinds = ['cpl', 'ics', 'json', 'office'] as const;
export type SavedKind = (typeof savedKinds)[number];

/** The plan, its hours or its office as a file, and what its format has no word for. */
export function writtenFile(
  kind: SavedKind,
  plan: RingPlan,
  office: OfficeIndex,
  now: number,
): { name: string; type: string; text: string; notes: string[] } {
  const json = 'application/json';
  switch (kind) {
    case 'cpl':
      return { name: 'ring-plan.cpl', type: 'application/cpl+xml', ...writeCpl(plan, office) };
    case 'ics': {
      const text = writeCalendar(plan, office.setup.zone, now);
      const notes = plan.lineHours?.length
        ? ['Hours of single lines are not written: a calendar has one working week.']
        : [];
      return { name: 'hours.ics', type: 'text/calendar', text, notes };
    }
    case 'json':
      return { name: 'ring-plan.json', type: json, text: writePlanFile(plan), notes: [] };
    case 'office':
      return { name: 'office.json', type: json, text: writeOfficeFile(office.setup), notes: [] };
  }
}
