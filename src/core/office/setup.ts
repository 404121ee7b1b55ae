import { z } from 'zod';

/** E.164: "+" and 2 to 15 digits. */
export const e164Schema = z.string().regex(/^\+\d{2,15}$/);

export const strokes = ['solid', 'dashed', 'dotted', 'double', 'dashDot', 'thinPair'] as const;
export type Stroke = (typeof strokes)[number];

export const personSchema = z.object({
  id: z.string(),
  name: z.string(),
  role: z.string(),
  extension: z.string(),
  /** The line whose number others see when this person calls out and chose none. */
  presentedLineId: z.string(),
});
export type Person = z.infer<typeof personSchema>;

export const lineSchema = z.object({
  id: z.string(),
  name: z.string(),
  number: e164Schema,
  /** How the line's cord is drawn: hue index of the theme and stroke. */
  cord: z.object({ hue: z.number().int().min(0).max(5), stroke: z.enum(strokes) }),
  urgent: z.boolean(),
  /** Whose ring plan takes its calls. */
  ownerId: z.string(),
});
export type Line = z.infer<typeof lineSchema>;

export const deviceKinds = ['app', 'desk', 'mobile'] as const;
export const deviceSchema = z.object({
  id: z.string(),
  personId: z.string(),
  kind: z.enum(deviceKinds),
  name: z.string(),
  /** Calls it can hold at once before it counts as busy. */
  callLimit: z.number().int().positive(),
});
export type Device = z.infer<typeof deviceSchema>;

/** Where an unanswered call ends. */
export const finishSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('mailbox'), personId: z.string() }),
  z.object({ kind: z.literal('busy') }),
]);
export type Finish = z.infer<typeof finishSchema>;

export const ringTargetSchema = z.object({
  deviceId: z.string(),
  /** Seconds after the stage's start. */
  startSeconds: z.number().min(0),
});

/** Devices that ring together, or each from its own second, for at most `lengthSeconds`. */
export const ringStageSchema = z.object({
  targets: z.array(ringTargetSchema),
  lengthSeconds: z.number().positive(),
});

export const ringRuleSchema = z.object({
  id: z.string(),
  name: z.string(),
  /** Lines the rule is for; empty for any, extensions included. */
  lineIds: z.array(z.string()),
  stages: z.array(ringStageSchema),
  finish: finishSchema,
});
export type RingRule = z.infer<typeof ringRuleSchema>;

/** One person's rules of who rings when: the first that fits a call decides. */
export const ringPlanSchema = z.object({ personId: z.string(), rules: z.array(ringRuleSchema) });
export type RingPlan = z.infer<typeof ringPlanSchema>;

export const officeSetupSchema = z.object({
  name: z.string(),
  /** IANA time zone of the office. */
  zone: z.string(),
  people: z.array(personSchema),
  lines: z.array(lineSchema),
  devices: z.array(deviceSchema),
  ringPlans: z.array(ringPlanSchema),
});
/** Everything an office's exchange is configured with. */
export type OfficeSetup = z.infer<typeof officeSetupSchema>;
