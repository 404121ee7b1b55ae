import { z } from 'zod';

import { callerMatchSchema, dateSpanSchema, weekWindowSchema, whenSchema } from './when';

/** Seconds from one ring to the next where that cadence is heard (ITU-T E.180 supplement 2). */
export const cadenceSeconds = { uk: 3, us: 6 } as const;
export type Cadence = keyof typeof cadenceSeconds;

/** How long something rings, in seconds or in rings as the trade counts them. */
export const ringLengthSchema = z.union([
  z.object({ seconds: z.number().positive() }),
  z.object({ rings: z.number().int().positive(), cadence: z.enum(['uk', 'us']) }),
]);
export type RingLength = z.infer<typeof ringLengthSchema>;

export function secondsOf(length: RingLength): number {
  return 'seconds' in length ? length.seconds : length.rings * cadenceSeconds[length.cadence];
}

/**
 * Where an unanswered call ends. `to` of a forward is dialled like anything else; with `acceptKey` a number outside takes
 * the call by a key, as a target does, and a call that is not taken ends in the mailbox of whose plan it is.
 */
export const finishSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('mailbox'), personId: z.string() }),
  /** That of a team, which all its members hear. */
  z.object({ kind: z.literal('teamMailbox'), teamId: z.string() }),
  z.object({ kind: z.literal('busy') }),
  z.object({ kind: z.literal('forward'), to: z.string(), acceptKey: z.boolean().optional() }),
  /** The caller hears so, and gets the text from that line. Who can take no text goes to the mailbox of whose call it is. */
  z.object({ kind: z.literal('textBack'), lineId: z.string(), text: z.string().min(1) }),
]);
export type Finish = z.infer<typeof finishSchema>;

const timing = {
  /** Seconds after the stage's start. */
  startSeconds: z.number().min(0),
  /** How long it is meant to ring; left out: as long as the stage does. */
  length: ringLengthSchema.optional(),
  /** Whoever lifts it hears who calls and takes the call by a key, so that a private mailbox never does. */
  acceptKey: z.boolean().optional(),
  /** The caller is asked for a name, which is heard before the key. Asks for the key by itself. */
  saysName: z.boolean().optional(),
};

/** What rings: a device, all of a colleague's or a team's desk phones and apps, or a number outside (E.164). */
export const ringTargetSchema = z.union([
  z.object({ deviceId: z.string(), ...timing }),
  z.object({ personId: z.string(), ...timing }),
  z.object({ teamId: z.string(), ...timing }),
  z.object({ number: z.string(), ...timing }),
]);
export type RingTarget = z.infer<typeof ringTargetSchema>;

/** What rings together, each from its own second. It is over when nothing of it rings any more, at the latest after `length`. */
export const ringStageSchema = z.object({ targets: z.array(ringTargetSchema), length: ringLengthSchema });
export type RingStage = z.infer<typeof ringStageSchema>;

export const ringRuleSchema = z.object({
  id: z.string(),
  name: z.string(),
  /** Lines the rule is for; empty for any, extensions included. */
  lineIds: z.array(z.string()),
  stages: z.array(ringStageSchema),
  finish: finishSchema,
  /** Where a call ends at once while all of the rule's devices are busy; left out: at `finish`. */
  busyFinish: finishSchema.optional(),
  /** The same where none of them is signed in. */
  unreachableFinish: finishSchema.optional(),
  /** Where a call ends that the called person refused; left out: at `finish`. */
  refusedFinish: finishSchema.optional(),
  /** When the rule is for a call, beside its line. */
  when: whenSchema.optional(),
});
export type RingRule = z.infer<typeof ringRuleSchema>;

/** From one instant to another (epoch milliseconds); null where it has begun, or has no end. */
const instants = { from: z.number().nullable(), until: z.number().nullable() };

export const forwardAllSchema = z.object({ to: finishSchema, ...instants });
export type ForwardAll = z.infer<typeof forwardAllSchema>;

export const doNotDisturbSchema = z.object({
  /**
   * Nothing of the owner's rings: the call goes on to the rule's finish at once (`quiet`), meets busy tone (`refuse`), or
   * goes by the rule in its seconds, so that the caller hears ringing and others of the plan ring (`silent`).
   */
  mode: z.enum(['quiet', 'refuse', 'silent']),
  until: z.number().nullable(),
  /** Who is let through all the same, and the lines that always are. */
  passes: z.array(callerMatchSchema),
  passLineIds: z.array(z.string()),
});
export type DoNotDisturb = z.infer<typeof doNotDisturbSchema>;

/** What the mailbox says first; of several the first that fits the moment. */
export const greetingSchema = z.object({
  id: z.string(),
  name: z.string(),
  /** Spoken by the stand-in voice, unless it was recorded. */
  text: z.string(),
  /** The owner's own voice; its sound is kept apart under this id. */
  recorded: z.object({ soundId: z.string(), seconds: z.number().positive() }).optional(),
  situationIds: z.array(z.string()).optional(),
  /** true: in the working hours, false: outside them. */
  workingHours: z.boolean().optional(),
});
export type Greeting = z.infer<typeof greetingSchema>;

export const dayOffSchema = dateSpanSchema.and(z.object({ name: z.string() }));
export type DayOff = z.infer<typeof dayOffSchema>;

export const meetingSchema = z.object({ from: z.number(), until: z.number(), name: z.string() });
export type Meeting = z.infer<typeof meetingSchema>;

/** One person's rules of who rings when: the first that fits a call decides. */
export const ringPlanSchema = z.object({
  personId: z.string(),
  rules: z.array(ringRuleSchema),
  /** Everything goes there while it is on. */
  forwards: z.array(forwardAllSchema).optional(),
  doNotDisturb: doNotDisturbSchema.optional(),
  /** The working week, which rules and greetings may ask for. A day off has no working hours. */
  workingHours: z.array(weekWindowSchema).optional(),
  /** Lines that have other hours than the working week; none of them: never working. */
  lineHours: z.array(z.object({ lineId: z.string(), hours: z.array(weekWindowSchema) })).optional(),
  daysOff: z.array(dayOffSchema).optional(),
  /** From a calendar; rules may ask for "in a meeting". */
  meetings: z.array(meetingSchema).optional(),
  /** Tried one after the other when a caller asks the mailbox to find its owner; left out: not offered. */
  findMe: z.array(z.union([z.object({ deviceId: z.string() }), z.object({ number: z.string() })])).optional(),
  greetings: z.array(greetingSchema).optional(),
});
export type RingPlan = z.infer<typeof ringPlanSchema>;

/** The working hours that calls to a line meet; null: those of no line of its own. */
export const workingHoursOf = ({ lineHours = [], workingHours = [] }: RingPlan, lineId: string | null) =>
  lineHours.find((each) => each.lineId === lineId)?.hours ?? workingHours;

/** Every window that any of the plan's working hours has. */
export const allWorkingHours = ({ lineHours = [], workingHours = [] }: RingPlan) => [
  ...workingHours,
  ...lineHours.flatMap(({ hours }) => hours),
];

/** An id that no rule of the plan has. */
export function freeRuleId(plan: RingPlan): string {
  for (let number = plan.rules.length + 1; ; number++) {
    const id = `${plan.personId}-${number}`;
    if (!plan.rules.some((rule) => rule.id === id)) return id;
  }
}

/** Whether two plans say the same, however their parts are ordered or left out. */
export const isSamePlan = (a: RingPlan, b: RingPlan): boolean =>
  a === b || JSON.stringify(ringPlanSchema.parse(a)) === JSON.stringify(ringPlanSchema.parse(b));

/** The plan without rules that were for once and are over; the same plan where there are none. */
export function withoutOver(plan: RingPlan, now: number): RingPlan {
  const isOver = ({ when }: RingRule) =>
    when?.spans !== undefined && when.spans.length > 0 && when.spans.every(({ until }) => until <= now);
  return plan.rules.some(isOver) ? { ...plan, rules: plan.rules.filter((rule) => !isOver(rule)) } : plan;
}
