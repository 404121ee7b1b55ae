import { z } from 'zod';

import {
  freeNumbers,
  kindsInStock,
  numberKinds,
  strokes,
  type Line,
  type NumberKind,
  type OfficeSetup,
} from '@/core/setup';
import { freeCord } from '@/core/setup/changes';
import { editOf, freeId, type Edit } from '@/core/setup/edits';

import { asRecordingField, readRecordingField, recordingField } from '../form/recordingField';

export const lineFormSchema = z.object({
  name: z.string().trim().min(1, 'Say what the line is for.').max(60, 'That is too long.'),
  kind: z.enum(numberKinds),
  number: z.string().min(1, 'There is no number to take: choose one, or bring your own along.'),
  ownerId: z.string().min(1, 'Say who has its calls.'),
  hue: z.number(),
  stroke: z.enum(strokes),
  /** What else it is: urgent, texts, faxes. */
  also: z.array(z.string()),
  isKeptToOwner: z.boolean(),
  recording: recordingField,
});
export type LineForm = z.infer<typeof lineFormSchema>;

const mostOffered = 4;
/** Numbers of a kind that can be taken. */
export const numbersToTake = (setup: OfficeSetup, kind: NumberKind) => freeNumbers(setup, kind, mostOffered);

export function asLineForm(setup: OfficeSetup, line: Line | null): LineForm {
  if (!line) {
    const { hue, stroke } = freeCord(setup);
    const kind = kindsInStock(setup)[0] ?? 'town';
    const number = numbersToTake(setup, kind)[0] ?? '';
    const recording = asRecordingField(null);
    const ownerId = setup.people[0]?.id ?? '';
    return {
      name: '',
      kind,
      number,
      ownerId,
      hue,
      stroke,
      also: [],
      isKeptToOwner: false,
      recording,
    };
  }
  const { name, number, ownerId, cord, urgent, texts, faxes, isKeptToOwner = false } = line;
  const also = [...(urgent ? ['urgent'] : []), ...(texts ? ['texts'] : []), ...(faxes ? ['faxes'] : [])];
  const recording = asRecordingField(line);
  return { name, kind: 'town', number, ownerId, ...cord, also, isKeptToOwner, recording };
}

export function lineEdits(seen: OfficeSetup, line: Line | null, form: LineForm): Edit[] {
  const { name, number, ownerId, hue, stroke, also, isKeptToOwner } = form;
  const id = line?.id ?? freeId(seen, 'lines', 'l');
  const recording = readRecordingField(form.recording);
  const row = {
    ...{ id, name, number, ownerId, cord: { hue, stroke }, urgent: also.includes('urgent') },
    ...(also.includes('texts') && { texts: true }),
    ...(also.includes('faxes') && { faxes: true }),
    ...(isKeptToOwner && { isKeptToOwner }),
    ...(recording && { recording }),
  };
  return [editOf(seen, 'lines', id, row)];
}
