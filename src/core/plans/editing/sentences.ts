import { hoursWords } from '@/core/plans/hours';
import { formatClock, formatDate, shiftLocalDays, startOfLocalDay } from '@/core/shared/time';
import {
  deviceName,
  nameOf,
  teamMailboxName,
  secondsOf,
  whereTo,
  type CallerMatch,
  type Finish,
  type Followed,
  type OfficeIndex,
  type RingRule,
  type RingTarget,
  type When,
} from '@/core/setup';

/**
 * A rule in one sentence, said to whose plan it is: "When a customer calls Field service while you are on site: van
 * phone and desk phone together for 25 s, then Ilse 20 s, then your mailbox."
 */
export function describeRule(rule: RingRule, office: OfficeIndex, readerId: string): string {
  const stages = rule.stages.filter(({ targets }) => targets.length > 0);
  const rings = stages.map(({ targets, length }) => {
    const names = list(targets.map((target) => targetWords(target, office, readerId)));
    const together = targets.length > 1 && targets.every(({ startSeconds }) => startSeconds === 0);
    return `${names}${together ? ' together' : ''} for ${secondsOf(length)} s`;
  });
  const end = finishWords(rule.finish, office, readerId);
  return `When ${conditionWords(rule, office, readerId)}: ${[...rings, end].join(', then ')}.`;
}

/** "this app, desk phone, then Ilse Varga, then your mailbox": a rule in the fewest words. */
export function glanceOf({ stages, finish }: RingRule, office: OfficeIndex, readerId: string): string {
  const rings = stages
    .filter(({ targets }) => targets.length > 0)
    .map(({ targets }) => targets.map((target) => targetWords(target, office, readerId)).join(', '));
  return [...rings, finishWords(finish, office, readerId)].join(', then ');
}

/** "somebody starred calls Flood desk, while you are on site": whom and when a rule is for. */
export function conditionWords(
  { lineIds, when = {} }: RingRule,
  office: OfficeIndex,
  readerId: string,
): string {
  const callers =
    when.callers && when.callers.length > 0
      ? list(
          when.callers.map((match) => callerWords(match, office)),
          'or',
        )
      : 'anybody';
  const lines =
    lineIds.length > 0
      ? ` ${list(
          lineIds.map((id) => office.lines.get(id)?.name ?? 'a line no longer here'),
          'or',
        )}`
      : '';
  return `${callers} calls${lines}${whenWords(when, office, readerId)}`;
}

function whenWords(when: When, office: OfficeIndex, readerId: string): string {
  const situations = office.people.get(readerId)?.situations ?? [];
  const parts: string[] = [];
  if (when.situationIds && when.situationIds.length > 0)
    parts.push(
      `while you are ${list(
        when.situationIds.map((id) =>
          (situations.find((each) => each.id === id)?.name ?? 'a situation no longer here').toLowerCase(),
        ),
        'or',
      )}`,
    );
  if (when.workingHours !== undefined)
    parts.push(when.workingHours ? 'in working hours' : 'outside working hours');
  if (when.hours && when.hours.length > 0) parts.push(hoursWords(when.hours));
  for (const { from, to } of when.dates ?? [])
    parts.push(from === to ? `on ${from}` : `from ${from} to ${to}`);
  for (const span of when.spans ?? []) parts.push(spanWords(span, office.setup.zone));
  if (when.inMeeting !== undefined) parts.push(when.inMeeting ? 'in a meeting' : 'outside meetings');
  if (when.whileOnCall !== undefined)
    parts.push(when.whileOnCall ? 'while you are on a call' : 'while you are not on a call');
  return parts.length > 0 ? ` ${parts.join(', ')}` : '';
}

/** "on Thu 26 Nov 17:00–24:00", "from Fri 27 Nov 22:00 until Sat 28 Nov 06:00". */
export function spanWords({ from, until }: { from: number; until: number }, zone: string): string {
  const day = startOfLocalDay(from, zone);
  const midnight = shiftLocalDays(day, 1, zone);
  const end = until === midnight ? '24:00' : formatClock(until, zone);
  if (until <= midnight) return `on ${formatDate(from, zone)} ${formatClock(from, zone)}–${end}`;
  const begin = `${formatDate(from, zone)} ${formatClock(from, zone)}`;
  return `from ${begin} until ${formatDate(until, zone)} ${formatClock(until, zone)}`;
}

/** "a withheld caller", "somebody who called 2 times within 10 min". */
export function callerWords(match: CallerMatch, office: OfficeIndex): string {
  switch (match.kind) {
    case 'number':
      return whereTo(match.number, office);
    case 'prefix':
      return `a number beginning ${match.prefix}`;
    case 'group':
      return office.setup.callerGroups.find(({ id }) => id === match.groupId)?.name ?? 'a group';
    case 'starred':
      return 'somebody starred';
    case 'colleague':
      return 'a colleague';
    case 'withheld':
      return 'a withheld caller';
    case 'unknown':
      return 'somebody unknown';
    case 'repeated':
      return `somebody who called ${match.times} ${match.times === 1 ? 'time' : 'times'} within ${match.withinMinutes} min`;
  }
}

/** What rings, in a few words: own devices by what they are, others by their name. */
export function targetWords(target: RingTarget, office: OfficeIndex, readerId: string): string {
  if ('number' in target) return whereTo(target.number, office);
  if ('teamId' in target) return `team ${office.teams.get(target.teamId)?.name ?? 'no longer here'}`;
  if ('personId' in target)
    return target.personId === readerId ? 'your desk phone and app' : nameOf(target.personId, office);
  const device = office.devices.get(target.deviceId);
  if (device?.personId !== readerId) return deviceName(target.deviceId, office);
  return device.kind === 'app' ? 'this app' : device.name;
}

/** "your mailbox", "Ilse Varga’s mailbox", "busy tone", "Workshop": where it ends. */
export function finishWords(finish: Finish, office: OfficeIndex, readerId: string): string {
  if (finish.kind === 'busy') return 'busy tone';
  if (finish.kind === 'forward') return `on to ${whereTo(finish.to, office)}`;
  if (finish.kind === 'textBack') return 'a text back';
  if (finish.kind === 'teamMailbox') return teamMailboxName(finish.teamId, office);
  return finish.personId === readerId ? 'your mailbox' : `${nameOf(finish.personId, office)}’s mailbox`;
}

/** "in the working hours", "in a meeting", "Sat 9:00–12:00": when a situation comes by itself. */
export function followedWords(followed: Followed): string {
  switch (followed.by) {
    case 'workingHours':
      return followed.working ? 'in my working hours' : 'outside my working hours';
    case 'meetings':
      return 'in a meeting';
    case 'hours':
      return hoursWords(followed.windows);
  }
}

export function list(words: readonly string[], join: 'and' | 'or' = 'and'): string {
  return words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} ${join} ${words.at(-1)}`;
}
