import { z } from 'zod';

import {
  officeSetupSchema,
  ringPlanSchema,
  type OfficeIndex,
  type OfficeSetup,
  type RingPlan,
} from '@/core/setup';
import { planProblems } from '@/core/setup/problems';

/** A ring plan, or a whole office, as JSON with its format and version (docs/formats.md). */
export const planFileSchema = z.object({
  format: z.literal('cendro-ring-plan'),
  version: z.literal(1),
  plan: ringPlanSchema,
});
export const officeFileSchema = z.object({
  format: z.literal('cendro-office'),
  version: z.literal(1),
  office: officeSetupSchema,
});

export const writePlanFile = (plan: RingPlan): string =>
  `${JSON.stringify({ format: 'cendro-ring-plan', version: 1, plan }, null, 2)}\n`;

export const writeOfficeFile = (office: OfficeSetup): string =>
  `${JSON.stringify({ format: 'cendro-office', version: 1, office }, null, 2)}\n`;

export type ReadPlanFile = { ok: true; plan: RingPlan } | { ok: false; reason: string };

/** Reads a plan for the person it is given to; one that names what this office does not have is refused with the place. */
export function readPlanFile(text: string, personId: string, office: OfficeIndex): ReadPlanFile {
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch (error) {
    return {
      ok: false,
      reason: `This is not JSON: ${error instanceof Error ? error.message : 'it can’t be read'}.`,
    };
  }
  const { version, format } = (data ?? {}) as { version?: unknown; format?: unknown };
  if (format !== 'cendro-ring-plan') return { ok: false, reason: 'This file is not a ring plan.' };
  if (version !== 1)
    return {
      ok: false,
      reason: `Version ${typeof version === 'number' ? version : '“?”'} of the format is not known here.`,
    };
  const { plan } = data as { plan?: unknown };
  const mine = { ...(plan as object), personId };
  const [problem] = planProblems(mine, office);
  if (problem) return { ok: false, reason: `At ${problem.path.join(' › ')}: ${problem.sentence}` };
  return { ok: true, plan: ringPlanSchema.parse(mine) };
}

/** JSON Schema (2020-12) of both files. */
export const fileSchemas = {
  'ring-plan': () => z.toJSONSchema(planFileSchema, { io: 'input' }),
  office: () => z.toJSONSchema(officeFileSchema, { io: 'input' }),
} as const;
