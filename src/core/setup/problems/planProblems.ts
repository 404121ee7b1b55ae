import { interpretDialled, isDialable, isExternal } from '@/core/numbers/numbering';
import type { OfficeIndex } from '../OfficeIndex';
import { whyNotCalled } from '../outward';
import {
  ringPlanSchema,
  secondsOf,
  type Finish,
  type RingPlan,
  type RingRule,
  type RingTarget,
} from '../ringPlan';

/** What makes a ring plan impossible to carry out, at the place where it was entered. */
export interface PlanProblem {
  /** Keys and positions from the plan down to the value: ["rules", 0, "stages", 1, "length"]. */
  path: readonly (string | number)[];
  sentence: string;
}

type Path = PlanProblem['path'];

/**
 * Everything that is wrong with a plan before it can take force: its shape, and what it names that the office does not
 * have. Whether it is wise is another question (`plans/checks`).
 */
export function planProblems(plan: unknown, office: OfficeIndex): PlanProblem[] {
  const known = typeof plan === 'object' && plan !== null ? readBefore.get(plan) : undefined;
  if (known) return referencesOf(known, office);
  const parsed = ringPlanSchema.safeParse(plan);
  if (!parsed.success)
    return parsed.error.issues.map(({ path, message, code }) => ({
      path: path.filter((part): part is string | number => typeof part !== 'symbol'),
      sentence: wordsFor(path.map(String), message, code),
    }));
  readBefore.set(plan as object, parsed.data);
  return referencesOf(parsed.data, office);
}

/** Plans are not changed but replaced: one whose shape is right keeps it, whatever becomes of the office. */
const readBefore = new WeakMap<object, RingPlan>();

/** What Zod found, said for who fills in a plan. */
function wordsFor(path: readonly string[], message: string, code: string): string {
  const last = path.at(-1) ?? '';
  if (last === 'finish') return 'This rule has no finish: say where an unanswered call ends.';
  if (last === 'length' || last === 'seconds' || last === 'rings')
    return 'It has to ring for at least one second, or one ring.';
  if (last === 'startSeconds') return 'It can’t begin before the stage does.';
  if (code === 'custom') return `It ${message}.`;
  return message;
}

function referencesOf(plan: RingPlan, office: OfficeIndex): PlanProblem[] {
  const problems: PlanProblem[] = [];
  const say = (path: Path, sentence: string) => problems.push({ path, sentence });
  if (!office.people.has(plan.personId)) say(['personId'], 'Nobody in the office has this plan.');
  plan.rules.forEach((rule, at) => checkRule(rule, ['rules', at], office, say, plan.personId));
  plan.forwards?.forEach(({ to, from, until }, at) => {
    checkFinish(to, ['forwards', at, 'to'], office, say, plan.personId);
    checkOrder(from, until, ['forwards', at, 'until'], say);
  });
  plan.meetings?.forEach(({ from, until }, at) => checkOrder(from, until, ['meetings', at, 'until'], say));
  plan.findMe?.forEach((each, at) => checkTarget({ ...each, startSeconds: 0 }, ['findMe', at], office, say));
  plan.lineHours?.forEach(({ lineId }, at) => {
    if (!office.lines.has(lineId)) say(['lineHours', at, 'lineId'], `There is no line ${lineId}.`);
  });
  for (const lineId of plan.doNotDisturb?.passLineIds ?? [])
    if (!office.lines.has(lineId)) say(['doNotDisturb', 'passLineIds'], `There is no line ${lineId}.`);
  return problems;
}

type Say = (path: Path, sentence: string) => void;

function checkOrder(from: number | null, until: number | null, path: Path, say: Say): void {
  if (from !== null && until !== null && until <= from) say(path, 'It ends before it begins.');
}

function checkRule(rule: RingRule, path: Path, office: OfficeIndex, say: Say, byId: string): void {
  rule.lineIds.forEach((id, at) => {
    if (!office.lines.has(id)) say([...path, 'lineIds', at], `There is no line ${id}.`);
  });
  rule.stages.forEach(({ targets, length }, stage) => {
    if (secondsOf(length) > longestStageSeconds)
      say([...path, 'stages', stage, 'length'], 'Nobody waits longer than ten minutes.');
    targets.forEach((target, at) =>
      checkTarget(target, [...path, 'stages', stage, 'targets', at], office, say),
    );
  });
  checkFinish(rule.finish, [...path, 'finish'], office, say, byId);
  for (const name of ['busyFinish', 'unreachableFinish', 'refusedFinish'] as const) {
    const finish = rule[name];
    if (finish) checkFinish(finish, [...path, name], office, say, byId);
  }
  rule.when?.callers?.forEach((match, at) => {
    if (match.kind === 'number' && !isE164(match.number))
      say([...path, 'when', 'callers', at], `“${match.number}” is not a whole number.`);
    if (match.kind === 'group' && !office.setup.callerGroups.some(({ id }) => id === match.groupId))
      say([...path, 'when', 'callers', at], 'There is no such group of callers.');
  });
}

const longestStageSeconds = 600;
const isE164 = (number: string) => /^\+\d{7,15}$/.test(number);

function checkTarget(target: RingTarget, path: Path, office: OfficeIndex, say: Say): void {
  if ('deviceId' in target) {
    if (!office.devices.get(target.deviceId)?.personId)
      say([...path, 'deviceId'], `The office knows no phone “${target.deviceId}”.`);
  } else if ('personId' in target) {
    if (!office.people.has(target.personId)) say([...path, 'personId'], 'Nobody in the office goes by that.');
  } else if ('teamId' in target) {
    if (!office.teams.has(target.teamId)) say([...path, 'teamId'], 'The office has no such team.');
  } else if (!isE164(target.number))
    say([...path, 'number'], `“${target.number}” is not a number that can ring.`);
}

/**
 * What is wrong with where a call is to end, each with the field it is at.
 *
 * @param byId whose plan it is; null where it is nobody's
 */
export function checkFinish(
  finish: Finish,
  path: Path,
  office: OfficeIndex,
  say: Say,
  byId: string | null = null,
): void {
  if (finish.kind === 'mailbox' && !office.people.has(finish.personId))
    say([...path, 'personId'], 'Nobody in the office has this mailbox.');
  if (finish.kind === 'teamMailbox' && !office.teams.get(finish.teamId)?.mailbox)
    say([...path, 'teamId'], 'No team of the office has this mailbox.');
  if (finish.kind === 'textBack' && office.lines.get(finish.lineId)?.texts !== true)
    say([...path, 'lineId'], 'No text can be sent from that line.');
  if (finish.kind !== 'forward') return;
  const dialled = interpretDialled(finish.to, office.plan);
  if (dialled.kind === 'emergency') say([...path, 'to'], 'Calls can’t be forwarded to an emergency number.');
  else if (!isDialable(dialled)) say([...path, 'to'], `“${finish.to}” is not a number that can be called.`);
  else if (
    dialled.kind === 'extension' &&
    !office.peopleByExtension.has(dialled.extension) &&
    !office.teamsByExtension.has(dialled.extension) &&
    !office.menusByExtension.has(dialled.extension) &&
    !office.conferencesByExtension.has(dialled.extension)
  )
    say([...path, 'to'], `Nobody has the extension ${dialled.extension}.`);
  const calling = { personId: byId, at: null };
  const why = isExternal(dialled) ? whyNotCalled(office.setup, dialled.e164, calling) : null;
  if (why !== null) say([...path, 'to'], `This office doesn’t call ${why}, or forward to them.`);
}
