import { useState } from 'react';
import { useWatch } from 'react-hook-form';

import type { Team } from '@/core/setup';
import { selectOffice, useAppSelector } from '@/state/app';

import { FormLine } from '../../shared/FormLine';
import { useGo } from '../../shared/useGo';
import { FormChoice, FormTicks } from '../form/fields';
import { FormScreen } from '../form/FormScreen';
import { Opened } from '../form/Opened';
import { recordingChoices } from '../form/recordingField';
import { useOfficeForm } from '../form/useOfficeForm';
import { QueueFields } from './QueueFields';
import { asTeamForm, teamEdits, teamFormSchema } from './teamForm';

const finishes = [
  { value: 'mailbox', word: 'A mailbox of the team' },
  { value: 'busy', word: 'Busy tone' },
];

const ways = [
  { value: 'ring', word: 'Rings at all members', detail: 'together, for half a minute' },
  { value: 'wait', word: 'Waits for a member', detail: 'with music, until one of those signed in is free' },
];

/** A team of the office, or a new one. */
export function TeamFormScreen() {
  return <Opened part="teams" Form={TeamForm} gone="That team is not here any more." />;
}

function TeamForm({ id }: { id: string }) {
  const go = useGo();
  const { setup } = useAppSelector(selectOffice);
  const [before] = useState(useAppSelector((state) => selectOffice(state).teams.get(id) ?? null));
  const of = useOfficeForm({
    schema: teamFormSchema,
    initial: (setup) => asTeamForm(setup, before),
    edits: (seen, form) => teamEdits(seen, before, form),
    // A row of the table is a team.
    asForm: (row) => asTeamForm(setup, row as unknown as Team),
    said: ({ name, extension }) =>
      before ? `The team ${name} is changed.` : `The team ${name} is here, and is reached at ${extension}.`,
    onDone: () => go.officePart('teams'),
  });
  const { control } = of.form;
  const otherwise = useWatch({ control, name: 'otherwise' });
  const calls = useWatch({ control, name: 'calls' });
  const hours = useWatch({ control, name: 'hours' });
  return (
    <FormScreen
      title={before ? before.name : 'A new team'}
      about="Several behind one extension: all ring together, or callers wait for one of them."
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
      <FormLine
        control={control}
        name="hours"
        label="When it takes calls, such as Mon–Fri 8–17; empty: always"
      />
      {hours.trim() === '' ? null : (
        <>
          <FormLine
            control={control}
            name="daysOff"
            label="Days off, one a line, such as 2026-12-25"
            lines={3}
          />
          <FormLine
            control={control}
            name="closedFinish"
            label="Where calls go at other times; empty: as one that nobody takes"
          />
        </>
      )}
      <FormChoice control={control} name="calls" label="What a call does" options={ways} />
      {calls === 'wait' ? <QueueFields control={control} seen={of.seen} /> : null}
      <FormChoice
        control={control}
        name="otherwise"
        label="Where a call ends that nobody takes"
        options={finishes}
      />
      {otherwise === 'mailbox' ? (
        <FormLine control={control} name="greeting" label="What callers hear there" lines={4} />
      ) : null}
      <FormChoice
        control={control}
        name="recording"
        label="Whether its calls are recorded"
        options={recordingChoices}
      />
    </FormScreen>
  );
}
