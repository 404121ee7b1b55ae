import { z } from 'zod';

import { daysOffWords, hoursWords, readDaysOff, readHours } from '@/core/plans/hours';
import {
  handOutOrders,
  lastLevel,
  levelOf,
  plainQueue,
  queueMusics,
  queueSchema,
  type Finish,
  type OfficeSetup,
  type Queue,
  type Team,
} from '@/core/setup';
import { freeExtension } from '@/core/setup/changes';
import { editOf, freeId, type Edit } from '@/core/setup/edits';

import { finishText, readFinish } from '../form/finishText';
import { asRecordingField, readRecordingField, recordingField } from '../form/recordingField';

/** Text that is read as something; what is wrong with it is said at its field. */
const readBy = (read: (text: string) => { ok: true } | { ok: false; sentence: string }) =>
  z
    .string()
    .trim()
    .superRefine((text, context) => {
      const outcome = read(text);
      if (!outcome.ok) context.addIssue({ code: 'custom', message: outcome.sentence });
    });

const { ringSeconds, wrapUpSeconds, mostWaiting, tellEverySeconds } = queueSchema.shape;
const finish = z.string().trim();

export const teamFormSchema = z
  .object({
    name: z.string().trim().min(1, 'Say what the team is called.').max(60, 'That is too long.'),
    extension: z.string().trim().min(1, 'Give the team an extension.'),
    memberIds: z.array(z.string()).min(1, 'Nobody would ring: a team needs somebody.'),
    /** As they are typed; empty: always. */
    hours: readBy(readHours),
    daysOff: readBy(readDaysOff),
    closedFinish: finish,
    /** What nobody takes: a mailbox of the team, or busy tone. */
    otherwise: z.enum(['busy', 'mailbox']),
    greeting: z.string().trim(),
    recording: recordingField,
    calls: z.enum(['ring', 'wait']),
    order: z.enum(handOutOrders),
    /** Of all members that have ever been ticked. */
    levels: z.array(z.object({ personId: z.string(), level: z.number().int().min(1).max(lastLevel) })),
    ...{ ringSeconds, wrapUpSeconds, mostWaiting, tellEverySeconds },
    longestWaitMinutes: z.number().int().min(1).max(120),
    music: z.enum(queueMusics),
    welcome: z.string().trim().max(300, 'That is too long to listen to.'),
    tellsPlace: z.boolean(),
    tellsWait: z.boolean(),
    offersCallBack: z.boolean(),
    fullFinish: finish,
    longFinish: finish,
    nobodyFinish: finish,
  })
  .refine(({ otherwise, greeting }) => otherwise === 'busy' || greeting !== '', {
    path: ['greeting'],
    message: 'Say what callers hear before they leave a message.',
  });
export type TeamForm = z.infer<typeof teamFormSchema>;

export function asTeamForm(setup: OfficeSetup, team: Team | null): TeamForm {
  const queue = team?.queue ?? plainQueue;
  const { order, wrapUpSeconds: wrapUp, welcome, tellsPlace, tellsWait, offersCallBack } = queue;
  return {
    name: team?.name ?? '',
    extension: team?.extension ?? freeExtension(setup) ?? '',
    memberIds: team?.memberIds ?? [],
    hours: hoursWords(team?.hours?.open ?? []),
    daysOff: daysOffWords(team?.hours?.daysOff ?? []),
    closedFinish: finishText(team?.hours?.closedFinish, setup),
    otherwise: team && !team.mailbox ? 'busy' : 'mailbox',
    greeting:
      team?.mailbox?.text ??
      (team
        ? ''
        : `This is ${setup.name}. Nobody can take your call now. Please say who you are and what it is about.`),
    recording: asRecordingField(team),
    calls: team?.queue ? 'wait' : 'ring',
    ...{ order, wrapUpSeconds: wrapUp, welcome, tellsPlace, tellsWait, offersCallBack },
    levels: setup.people.map(({ id }) => ({ personId: id, level: levelOf(queue, id) })),
    music: queue.music ?? 'valley',
    ringSeconds: queue.ringSeconds,
    mostWaiting: queue.mostWaiting,
    tellEverySeconds: queue.tellEverySeconds,
    longestWaitMinutes: Math.max(1, Math.round(queue.longestWaitSeconds / 60)),
    fullFinish: finishText(queue.fullFinish, setup),
    longFinish: finishText(queue.longFinish, setup),
    nobodyFinish: finishText(queue.nobodyFinish, setup),
  };
}

export function teamEdits(seen: OfficeSetup, team: Team | null, form: TeamForm): Edit[] {
  const { name, extension, memberIds, otherwise, greeting } = form;
  const id = team?.id ?? freeId(seen, 'teams', 't');
  const hours = hoursOf(seen, team, form);
  const queue = form.calls === 'wait' ? queueOf(seen, team, form) : null;
  const recording = readRecordingField(form.recording);
  const row = {
    ...{ id, name, extension, memberIds },
    ...(otherwise === 'mailbox' && { mailbox: { text: greeting } }),
    ...(hours && { hours }),
    ...(recording && { recording }),
    ...(queue && { queue }),
  };
  return [editOf(seen, 'teams', id, row)];
}

function hoursOf(seen: OfficeSetup, team: Team | null, form: TeamForm): Team['hours'] | null {
  const open = readHours(form.hours);
  const daysOff = readDaysOff(form.daysOff);
  if (!open.ok || open.value.length === 0) return null;
  return {
    open: open.value.map((window) => ({ ...window, days: [...window.days] })),
    daysOff: daysOff.ok ? daysOff.value : [],
    ...named('closedFinish', readFinish(form.closedFinish, team?.hours?.closedFinish, seen)),
  };
}

function queueOf(seen: OfficeSetup, team: Team | null, form: TeamForm): Queue {
  const before = team?.queue;
  const { order, music, welcome, tellsPlace, tellsWait, offersCallBack, levels, memberIds } = form;
  // What was given to the second stays, unless it was changed here.
  const isSameWait =
    before && Math.max(1, Math.round(before.longestWaitSeconds / 60)) === form.longestWaitMinutes;
  return {
    ...{ order, welcome, tellsPlace, tellsWait, offersCallBack },
    ...((music !== 'valley' || before?.music !== undefined) && { music }),
    ringSeconds: form.ringSeconds,
    wrapUpSeconds: form.wrapUpSeconds,
    mostWaiting: form.mostWaiting,
    tellEverySeconds: form.tellEverySeconds,
    longestWaitSeconds: isSameWait ? before.longestWaitSeconds : form.longestWaitMinutes * 60,
    levels: levels.filter(({ personId, level }) => level !== lastLevel && memberIds.includes(personId)),
    ...named('fullFinish', readFinish(form.fullFinish, before?.fullFinish, seen)),
    ...named('longFinish', readFinish(form.longFinish, before?.longFinish, seen)),
    ...named('nobodyFinish', readFinish(form.nobodyFinish, before?.nobodyFinish, seen)),
  };
}

const named = (name: string, value: Finish | undefined) => (value === undefined ? {} : { [name]: value });
