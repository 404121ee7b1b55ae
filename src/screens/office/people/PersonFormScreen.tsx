import { useState } from 'react';

import type { Grant } from '@/core/setup';
import { selectWrite, selectMyId, selectOffice, useAppSelector } from '@/state/app';

import { chosenOffice } from '@/state/offices';
import { Plate } from '@/ui/plate';

import { InviteSheet } from '../../access/InviteSheet';
import { FormLine } from '../../shared/FormLine';
import { useGo } from '../../shared/useGo';
import { FormChoice, FormLever, FormTicks } from '../form/fields';
import { FormScreen } from '../form/FormScreen';
import { Opened } from '../form/Opened';
import { recordingChoices } from '../form/recordingField';
import { useOfficeForm } from '../form/useOfficeForm';
import { asPersonForm, personEdits, personFormSchema, phoneChoices } from './personForm';

/** Somebody of the office, or somebody new. */
export function PersonFormScreen() {
  return <Opened part="people" Form={PersonForm} gone="Nobody of that name is here any more." />;
}

const mayChoices: { value: Grant; word: string }[] = [
  { value: 'seeFigures', word: 'see the figures' },
  { value: 'playRecordings', word: 'play recordings of others' },
];

function PersonForm({ id }: { id: string }) {
  const write = useAppSelector(selectWrite);
  const go = useGo();
  const myId = useAppSelector(selectMyId);
  const person = useAppSelector((state) => selectOffice(state).people.get(id) ?? null);
  const [before] = useState(person);
  const [isInviting, setInviting] = useState(false);
  const of = useOfficeForm({
    schema: personFormSchema,
    initial: (setup) => asPersonForm(setup, before),
    edits: (seen, form) => personEdits(seen, before, form),
    said: ({ name, extension }) =>
      before ? `${name} is changed.` : `${name} is here, and is reached at ${extension}.`,
    onDone: () => go.officePart('people'),
  });
  const { control } = of.form;
  const lines = of.seen.lines.map(({ id: value, name, number }) => ({
    value,
    word: name,
    detail: write(number),
  }));
  const colleagues = of.seen.people.filter((each) => each.id !== id);
  return (
    <FormScreen
      title={before ? before.name : 'Somebody new'}
      about={
        before
          ? 'What they say of themselves, and who rings when, stays theirs.'
          : 'All their phones ring together; what they don’t take goes to their mailbox. They can change that.'
      }
      of={of}
      onCancel={() => go.officePart('people')}
      retires={before && before.id !== myId ? { table: 'people', id: before.id, name: before.name } : null}
    >
      <FormLine control={control} name="name" label="Name" />
      <FormLine control={control} name="role" label="What they do" />
      <FormLine control={control} name="extension" label="Extension" isNumber />
      <FormTicks control={control} name="phones" label="Phones" options={phoneChoices(of.seen, before)} />
      <FormChoice
        control={control}
        name="presentedLineId"
        label="The number that others see when they call out"
        options={lines}
      />
      {of.seen.teams.length > 0 ? (
        <FormTicks
          control={control}
          name="teamIds"
          label="Teams"
          options={of.seen.teams.map((team) => ({ value: team.id, word: team.name }))}
        />
      ) : null}
      {colleagues.length > 0 ? (
        <FormTicks
          control={control}
          name="answeredByIds"
          label="Who answers for them: rings where a rule rings their phones"
          options={colleagues.map((each) => ({ value: each.id, word: each.name }))}
        />
      ) : null}
      <FormChoice
        control={control}
        name="recording"
        label="Whether their calls are recorded"
        options={recordingChoices}
      />
      <FormLever control={control} name="administers" label="Runs the office" />
      <FormTicks control={control} name="may" label="What they may beside it" options={mayChoices} />
      {before && chosenOffice() === 'own' ? (
        <Plate word="Let a device of theirs join" onPress={() => setInviting(true)} />
      ) : null}
      {before && isInviting ? (
        <InviteSheet personId={before.id} name={before.name} onClose={() => setInviting(false)} />
      ) : null}
    </FormScreen>
  );
}
