import { z } from 'zod';

import { grants, type OfficeSetup, type Person } from '@/core/setup';
import { freeExtension, newPhone, phoneKinds, placeEdits, type PhoneKind } from '@/core/setup/changes';
import type { Edit } from '@/core/setup/edits';

import { asRecordingField, readRecordingField, recordingField } from '../form/recordingField';

const phoneWords: Record<PhoneKind, string> = { app: 'the app', desk: 'a desk phone', mobile: 'a mobile' };

export const personFormSchema = z.object({
  name: z.string().trim().min(1, 'Say who they are.').max(60, 'That is too long.'),
  role: z.string().trim().max(60, 'That is too long.'),
  extension: z.string().trim().min(1, 'Give them an extension.'),
  presentedLineId: z.string().min(1, 'Say which number others see.'),
  /** Phones that they have, by id, and those that are new, by kind. */
  phones: z.array(z.string()),
  teamIds: z.array(z.string()),
  administers: z.boolean(),
  may: z.array(z.enum(grants)),
  answeredByIds: z.array(z.string()),
  recording: recordingField,
});
export type PersonForm = z.infer<typeof personFormSchema>;

/** What somebody new begins with; of somebody who is here, how they are. */
export function asPersonForm(setup: OfficeSetup, person: Person | null): PersonForm {
  if (!person)
    return {
      ...{ name: '', role: '', extension: freeExtension(setup) ?? '', administers: false, teamIds: [] },
      may: [],
      answeredByIds: [],
      recording: asRecordingField(null),
      presentedLineId: setup.lines[0]?.id ?? '',
      phones: [newPhone('desk')],
    };
  const { id, name, role, extension, presentedLineId, administers = false } = person;
  return {
    ...{ name, role, extension, presentedLineId, administers },
    may: [...(person.may ?? [])],
    answeredByIds: (person.answeredBy ?? []).map(({ personId }) => personId),
    recording: asRecordingField(person),
    phones: phonesOf(setup, id).map((device) => device.id),
    teamIds: setup.teams.filter(({ memberIds }) => memberIds.includes(id)).map((team) => team.id),
  };
}

const phonesOf = ({ devices }: OfficeSetup, id: string) =>
  devices.filter(({ personId, contactOf }) => personId === id && contactOf === undefined);

/** Which phones can be ticked: those that they have, and one of each other kind. */
export function phoneChoices(setup: OfficeSetup, person: Person | null): { value: string; word: string }[] {
  const own = person ? phonesOf(setup, person.id) : [];
  const others = phoneKinds.filter(({ kind }) => !own.some((device) => device.kind === kind));
  return [
    ...own.map(({ id, name }) => ({ value: id, word: name })),
    ...others.map(({ kind }) => ({ value: newPhone(kind), word: phoneWords[kind] })),
  ];
}

/** What makes the office as the form has it. */
export const personEdits = (seen: OfficeSetup, person: Person | null, form: PersonForm): Edit[] =>
  placeEdits(seen, person, { ...form, recording: readRecordingField(form.recording) });
