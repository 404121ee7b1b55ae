import { z } from 'zod';

import { mayShow, type OfficeSetup } from '@/core/setup';

export const shownSchema = z.union([z.object({ lineId: z.string() }), z.literal('withhold')]);
/** What the other side sees: the number of a line, or none (CLIR, 3GPP TS 22.081 §2). */
export type Shown = z.infer<typeof shownSchema>;

export const shownRuleSchema = z.object({ prefix: z.string().min(1), shown: shownSchema });
/** What numbers that begin so (E.164) see. */
export type ShownRule = z.infer<typeof shownRuleSchema>;

/** What the worker chose. */
export interface ShownChoices {
  /** For every call; null: the line the office gave the worker. */
  presentedLineId: string | null;
  withhold: boolean;
  /** For somebody, by their key in the directory. */
  shownFor: Readonly<Record<string, Shown>>;
  shownRules: readonly ShownRule[];
}

/** Who decided what is shown. */
export type ShownBy =
  | 'emergency'
  | 'office'
  | 'mustShow'
  | 'thisCall'
  | 'onceChosen'
  | 'person'
  | 'destination'
  | 'choice'
  | 'usual';

export interface ShownAnswer {
  shown: Shown;
  by: ShownBy;
}

interface Asked {
  /** E.164; null while no number outside is dialled. */
  number: string | null;
  /** Key of whoever has it. */
  personKey: string | null;
  isEmergency: boolean;
  /** Chosen for this one call. */
  chosenOnce?: Shown | null;
  /** Dialled with the prefix that withholds (true) or presents (false) for this one call. */
  dialledWith: boolean | undefined;
  choices: ShownChoices;
  setup: Pick<OfficeSetup, 'lines' | 'policies' | 'people' | 'teams'>;
  /** Who calls. */
  personId: string;
  /** The line the office gave the worker. */
  usualLineId: string;
}

/**
 * Which number the other side sees. An emergency call always shows one; then the office's policy for where the call goes;
 * then what was dialled or chosen for this call, what the worker remembered for this person, chose for such numbers, or for every
 * call. A line that is there no more or that they may not show, and a number withheld where the office does not allow it, give way to the next.
 */
export function shownNumber(asked: Asked): ShownAnswer {
  const { number, personKey, choices, setup, usualLineId } = asked;
  const usual: ShownAnswer = { shown: { lineId: usualLineId }, by: 'usual' };
  if (asked.isEmergency) return { ...usual, by: 'emergency' };
  const { policies, lines } = setup;
  const may = lines.filter((line) => mayShow(setup, asked.personId, line));
  const mayWithhold = policies.mayWithhold ?? true;
  const exists = (shown: Shown | undefined): shown is Shown =>
    shown !== undefined && (shown === 'withhold' || may.some(({ id }) => id === shown.lineId));
  const policy = number === null ? undefined : longest(policies.presented ?? [], number);
  if (policy && exists({ lineId: policy.lineId })) return { shown: { lineId: policy.lineId }, by: 'office' };

  const general: Shown | undefined = choices.withhold
    ? 'withhold'
    : choices.presentedLineId === null
      ? undefined
      : { lineId: choices.presentedLineId };
  const steps: readonly [Shown | undefined, ShownBy][] = [
    [asked.dialledWith === true ? 'withhold' : undefined, 'thisCall'],
    [asked.chosenOnce ?? undefined, 'onceChosen'],
    [personKey === null ? undefined : choices.shownFor[personKey], 'person'],
    [number === null ? undefined : longest(choices.shownRules, number)?.shown, 'destination'],
    [general, 'choice'],
    [usual.shown, 'usual'],
  ];
  const shows = asked.dialledWith === false;
  let wasForbidden = false;
  for (const [shown, by] of steps) {
    if (!exists(shown) || (shown === 'withhold' && shows)) continue;
    if (shown !== 'withhold' || mayWithhold) return { shown, by: wasForbidden ? 'mustShow' : by };
    wasForbidden = true;
  }
  return wasForbidden ? { ...usual, by: 'mustShow' } : usual;
}

function longest<T extends { prefix: string }>(rules: readonly T[], number: string): T | undefined {
  let best: T | undefined;
  for (const rule of rules)
    if (number.startsWith(rule.prefix) && rule.prefix.length > (best?.prefix.length ?? 0)) best = rule;
  return best;
}
