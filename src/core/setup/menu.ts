import { z } from 'zod';

import { isInWindows } from '@/core/shared/time';
import { finishSchema } from './ringPlan';
import { weekWindowSchema } from './when';

/** A caller hears what the keys do and chooses; each key dials something. */
export const menuSchema = z.object({
  id: z.string(),
  name: z.string(),
  extension: z.string(),
  /** Spoken by the stand-in voice, each time before it waits. */
  text: z.string(),
  /** Spoken at certain hours instead; of several the first that fits. */
  greetings: z.array(z.object({ hours: z.array(weekWindowSchema).min(1), text: z.string() })).optional(),
  /** Other languages in which it speaks, each chosen by its key; a caller who chose one hears it in other menus too. */
  languages: z
    .array(z.object({ key: z.string().regex(/^[0-9*#]$/), language: z.string().min(1), text: z.string() }))
    .optional(),
  keys: z.array(z.object({ key: z.string().regex(/^[0-9*#]$/), to: z.string() })),
  /** Whether whoever knows an extension may dial it; left out: they may not. */
  dialsExtensions: z.boolean().optional(),
  /** The key by which a caller spells whom they want; left out: there is none. */
  nameKey: z
    .string()
    .regex(/^[0-9*#]$/)
    .optional(),
  /** After the words, how long a key is waited for. */
  waitSeconds: z.number().positive(),
  /** How often it speaks before it gives up; a key that leads nowhere counts as one. */
  turns: z.number().int().min(1).max(5),
  /** Where a call ends in which nothing was chosen. */
  finish: finishSchema,
  /** Who is told of callers that leave while the menu speaks. */
  keeperId: z.string(),
});
export type Menu = z.infer<typeof menuSchema>;

/** What a menu says at that instant (epoch milliseconds), by the clock of the office's zone; to a caller who chose a language, in it as far as it has it. */
export const menuTextAt = (
  { greetings = [], languages = [], text }: Menu,
  at: number,
  zone: string,
  language: string | null,
): string =>
  languages.find((each) => isSameLanguage(each.language, language))?.text ??
  greetings.find(({ hours }) => isInWindows(at, hours, zone))?.text ??
  text;

/** Menus name their languages as they like: "Cymraeg" and "cymraeg" are one. */
const isSameLanguage = (name: string, chosen: string | null) =>
  chosen !== null && name.trim().toLowerCase() === chosen.trim().toLowerCase();
