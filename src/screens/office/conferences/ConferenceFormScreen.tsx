import { useState } from 'react';
import { View } from 'react-native';

import { isMachine, isTalking, roomOf, type Call, type Leg } from '@/core/calls/exchange';
import {
  identifyEndpoint,
  selectAllCalls,
  selectNames,
  selectOffice,
  useAppSelector,
  type Names,
} from '@/state/app';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

import { FormLine } from '../../shared/FormLine';
import { useGo } from '../../shared/useGo';
import { FormLever } from '../form/fields';
import { FormScreen } from '../form/FormScreen';
import { Opened } from '../form/Opened';
import { useOfficeForm } from '../form/useOfficeForm';
import { asConferenceForm, conferenceEdits, conferenceFormSchema } from './conferenceForm';

/** A conference number of the office, or a new one. */
export function ConferenceFormScreen() {
  return <Opened part="conferences" Form={ConferenceFormView} gone="That conference is not here any more." />;
}

function ConferenceFormView({ id }: { id: string }) {
  const go = useGo();
  const [before] = useState(useAppSelector((state) => selectOffice(state).conferences.get(id) ?? null));
  const of = useOfficeForm({
    schema: conferenceFormSchema,
    initial: (setup) => asConferenceForm(setup, before),
    edits: (seen, form) => conferenceEdits(seen, before, form),
    said: ({ name, extension }) =>
      before
        ? `The conference ${name} is changed.`
        : `The conference ${name} is here, and is reached at ${extension}.`,
    onDone: () => go.officePart('conferences'),
  });
  const { control } = of.form;
  return (
    <FormScreen
      title={before ? before.name : 'A new conference'}
      about="Whoever dials it and types its PIN is in; by their app, whoever is of the office may come without, and it is a meeting. For callers from outside, give it a line."
      of={of}
      onCancel={() => go.officePart('conferences')}
      retires={before && { table: 'conferences', id: before.id, name: before.name }}
    >
      {before ? <InItNow conferenceId={before.id} /> : null}
      <FormLine control={control} name="name" label="What it is called" />
      <FormLine control={control} name="extension" label="Extension" isNumber />
      <FormLine control={control} name="pin" label="PIN, 4 to 8 figures" isNumber />
      <FormLine control={control} name="hostPin" label="Host PIN, of whoever may mute and drop" isNumber />
      <FormLever control={control} name="opensForOffice" label="The office comes in without a PIN" />
      <FormLever control={control} name="waitsForHost" label="All hear music until a host is there" />
    </FormScreen>
  );
}

/** Of calls that are not the worker’s own it is not told who they are outside. */
function nameOf(leg: Leg, room: Call, names: Names): string {
  const isHidden = leg.endpoint.kind === 'outside' && leg.endpoint.number === null;
  return isHidden ? 'Somebody from outside' : identifyEndpoint(leg, room, names).name;
}

/** Who is in it; they are muted and dropped by a host, in the call itself. */
function InItNow({ conferenceId }: { conferenceId: string }) {
  const names = useAppSelector(selectNames);
  const calls = useAppSelector(selectAllCalls);
  const room = roomOf(calls, conferenceId);
  const present = room?.legs.filter((leg) => isTalking(leg) && !isMachine(leg)) ?? [];
  return (
    <View role="region" aria-label="In it now" style={{ gap: space.xs }}>
      <Txt as="strong">{present.length === 0 ? 'Nobody is in it' : `In it now: ${present.length}`}</Txt>
      {room ? (
        <View role="list" aria-label="Who is in it">
          {present.map((leg) => (
            <View key={leg.id} role="listitem">
              <Txt as="small">
                {`${nameOf(leg, room, names)}${leg.isHost ? ', host' : ''}${leg.muted || leg.silencedBy !== null ? ', muted' : ''}`}
              </Txt>
            </View>
          ))}
        </View>
      ) : null}
    </View>
  );
}
