import { useState } from 'react';
import { useWatch } from 'react-hook-form';

import { selectOffice, useAppSelector } from '@/state/app';

import { useGo } from '../../shared/useGo';
import { FormChoice, FormLine, FormTicks } from '../form/fields';
import { FormScreen } from '../form/FormScreen';
import { Opened } from '../form/Opened';
import { useOfficeForm } from '../form/useOfficeForm';
import { asTeamForm, teamEdits, teamFormSchema } from './teamForm';

const finishes = [
  { value: 'mailbox', word: 'A mailbox of the team' },
  { value: 'busy', word: 'Busy tone' },
];

/** A team of the office, or a new one. */
export function TeamFormScreen() {
  return <Opened part="teams" Form={TeamForm} gone="That team is not here any more." />;
}

function TeamForm({ id }: { id: string }) {
  const go = useGo();
  const [before] = useState(useAppSelector((state) => selectOffice(state).teams.get(id) ?? null));
  const of = useOfficeForm({
    schema: teamFormSchema,
    initial: (setup) => asTeamForm(setup, before),
    edits: (seen, form) => teamEdits(seen, before, form),
    said: ({ name, extension }) =>
      before ? `The team ${name} is changed.` : `The team ${name} is here, and is reached at ${extension}.`,
    onDone: () => go.officePart('teams'),
  });
  const { control } = of.form;
  const otherwise = useWatch({ control, name: 'otherwise' });
  return (
    <FormScreen
      title={before ? before.name : 'A new team'}
      about="The desk phones and apps of all its members ring together."
      of={of}
      onCancel={() => go.officePart('teams')}
      retires={before && { table: 'teams', id: before.id, name: before.name }}
    >
      <FormLine control={control} name="name" label="What it is called" />
      <FormLine control={control} name="extension" label="Extension" isNumber />
      <FormTicks
        control={control}
        name="memberIds"
        label="Members"
        options={of.seen.people.map((person) => ({ value: person.id, word: person.name }))}
      />
      <FormChoice
        control={control}
        name="otherwise"
        label="Where a call ends that nobody takes"
        options={finishes}
      />
      {otherwise === 'mailbox' ? (
        <FormLine control={control} name="greeting" label="What callers hear there" lines={4} />
      ) : null}
    </FormScreen>
  );
}
