import { z } from 'zod';

import { recordingPolicies, type RecordingPolicy } from '@/core/setup';

/** Whether calls are recorded, as a form has it. */
export const recordingField = z.enum(['asOffice', ...recordingPolicies]);
type RecordingField = z.infer<typeof recordingField>;

export const recordingChoices: { value: RecordingField; word: string; detail?: string }[] = [
  { value: 'asOffice', word: 'As the office does' },
  { value: 'onDemand', word: 'On demand', detail: 'whoever is in the call begins it' },
  { value: 'always', word: 'Always', detail: 'from the answer, all sides are told' },
  { value: 'never', word: 'Never', detail: 'nobody can begin one, whatever holds elsewhere' },
];

export const asRecordingField = (of: { recording?: RecordingPolicy | undefined } | null): RecordingField =>
  of?.recording ?? 'asOffice';

/** Null where it is as the office does. */
export const readRecordingField = (field: RecordingField): RecordingPolicy | null =>
  field === 'asOffice' ? null : field;
