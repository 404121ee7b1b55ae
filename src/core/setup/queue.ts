import { z } from 'zod';

import { tunes } from '@/core/shared/sound';

import { finishSchema } from './ringPlan';

/** Who of those who are free is rung for a call that waits. */
export const handOutOrders = ['longestFree', 'inTurn', 'fixedOrder', 'byLevel', 'allAtOnce'] as const;
export type HandOutOrder = (typeof handOutOrders)[number];

/** A finish that is left out is the team's mailbox, where it has one, else busy tone. */
const finish = finishSchema.optional();

/** What somebody who waits hears between what is said: a tune, or nothing. */
export const queueMusics = [...tunes, 'none'] as const;
export type QueueMusic = (typeof queueMusics)[number];

/** How a team's calls wait for one of its members, and are handed out among those who are signed in. */
export const queueSchema = z.object({
  order: z.enum(handOutOrders),
  /** How long one member is rung before the next. */
  ringSeconds: z.number().int().min(5).max(120),
  /** How long after a call its member gets no other. */
  wrapUpSeconds: z.number().int().min(0).max(3600),
  /** How many wait at most; whoever comes then goes to `fullFinish`. */
  mostWaiting: z.number().int().min(1).max(500),
  /** How long somebody waits at most, until they go to `longFinish`. */
  longestWaitSeconds: z.number().int().min(10).max(7200),
  /** What callers hear first; nothing where it is empty. */
  welcome: z.string(),
  /** Left out: the office's own, `valley`. */
  music: z.enum(queueMusics).optional(),
  /** Whether callers are told their place, and how long it will be, and how often. */
  tellsPlace: z.boolean(),
  tellsWait: z.boolean(),
  tellEverySeconds: z.number().int().min(10).max(600),
  /** Whether a caller may hang up and be called when it is their turn. */
  offersCallBack: z.boolean(),
  /** Of whom nothing is said is at the last level, 9. */
  levels: z.array(z.object({ personId: z.string(), level: z.number().int().min(1).max(9) })),
  fullFinish: finish,
  longFinish: finish,
  /** Where a call goes while nobody is signed in. */
  nobodyFinish: finish,
});
/** Seconds throughout. */
export type Queue = z.infer<typeof queueSchema>;

/** What a queue is at first. */
export const plainQueue: Queue = {
  order: 'longestFree',
  ringSeconds: 20,
  wrapUpSeconds: 15,
  mostWaiting: 10,
  longestWaitSeconds: 300,
  welcome: '',
  tellsPlace: true,
  tellsWait: true,
  tellEverySeconds: 45,
  offersCallBack: true,
  levels: [],
};

export const lastLevel = 9;

export const levelOf = ({ levels }: Queue, personId: string): number =>
  levels.find((each) => each.personId === personId)?.level ?? lastLevel;
