import { memo, useDeferredValue, useState } from 'react';
import { StyleSheet, View } from 'react-native';

import { isMachine, type Call, type Leg } from '@/core/calls/exchange';
import type { OfficeIndex } from '@/core/setup';
import type { PeopleIndex } from '@/core/people/contacts';
import {
  identifyNumber,
  selectMe,
  selectMyDeviceId,
  selectOffice,
  selectPeople,
  useAppDispatch,
  useAppSelector,
} from '@/state/app';
import { sendOutside, useOutsideCalls } from '@/state/outside';
import { Choice, Field } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

import { MachineHeard } from './MachineHeard';
import { Section } from './Section';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    phone: {
      padding: space.m,
      gap: space.s,
      backgroundColor: colours.sheet,
      borderWidth: 1,
      borderColor: colours.rule,
    },
    acts: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  }),
);

const legWords: Record<Leg['state'], string> = {
  initiated: 'being reached',
  alerting: 'ringing',
  connected: 'connected',
  held: 'has the other side on hold',
  queued: 'waits until they are free',
  failed: 'failed',
  cleared: 'gone',
};

/** Play the phones that are in a call now, or call from one. What the worker sees of a call is drawn before them. */
export function LivePhones() {
  const calls = useDeferredValue(useOutsideCalls());
  return (
    <>
      <PhonesIn calls={calls} />
      <CallFromPhone />
    </>
  );
}

const PhonesIn = memo(function PhonesIn({ calls }: { calls: readonly Call[] }) {
  const { colours } = useTheme();
  const deviceId = useAppSelector(selectMyDeviceId);
  const office = useAppSelector(selectOffice);
  const people = useAppSelector(selectPeople);
  const legs = calls.flatMap((call) =>
    call.legs
      .filter(
        ({ state, endpoint }) =>
          state !== 'cleared' &&
          !isMachine({ endpoint }) &&
          !(endpoint.kind === 'device' && endpoint.deviceId === deviceId),
      )
      .map((leg) => ({ call, leg })),
  );
  const names = toldApart(legs.map(({ leg }) => phoneName(leg, office, people)));
  return (
    <Section title="Phones in a call" sentence="Answer, refuse, hold or hang up for the other side.">
      {legs.length === 0 ? <Txt colour={colours.faint}>No other phone is in a call.</Txt> : null}
      {legs.map(({ call, leg }, at) => (
        <Phone key={leg.id} call={call} leg={leg} name={names[at] ?? ''} />
      ))}
    </Section>
  );
});

/** Whoever is in several calls at once is counted: "Peg Anstey", "Peg Anstey, call 2". */
function toldApart(names: readonly string[]): string[] {
  const counts = new Map<string, number>();
  return names.map((name) => {
    const count = (counts.get(name) ?? 0) + 1;
    counts.set(name, count);
    return count === 1 ? name : `${name}, call ${count}`;
  });
}

function Phone({ call, leg, name }: { call: Call; leg: Leg; name: string }) {
  const styles = useStyles();
  const dispatch = useAppDispatch();
  const act = (type: 'answer' | 'refuse' | 'hold' | 'retrieve' | 'clear', word: string) => (
    <Plate
      word={word}
      label={`${name}: ${word}`}
      onPress={() => void dispatch(sendOutside({ type, legId: leg.id }))}
    />
  );
  return (
    <View style={styles.phone} role="group" aria-label={name}>
      <Txt as="strong">{name}</Txt>
      <Txt as="small">
        {leg.accept === 'waiting' ? 'hears who is calling' : legWords[leg.state]}
        {call.parked ? `, parked in slot ${call.parked.slot}` : ''}
        {call.failure ? ', hears that the call failed' : ''}
      </Txt>
      <MachineHeard call={call} leg={leg} />
      <View style={styles.acts}>
        {(leg.state === 'alerting' || leg.state === 'initiated') && leg.accept !== 'waiting'
          ? act('answer', 'Answer')
          : null}
        {leg.accept === 'waiting' ? (
          <Plate
            word="Press 1, take it"
            label={`${name}: Press 1, take it`}
            onPress={() => void dispatch(sendOutside({ type: 'sendDigits', legId: leg.id, digits: '1' }))}
          />
        ) : null}
        {leg.state === 'alerting' && leg.role === 'called' ? act('refuse', 'Refuse') : null}
        {leg.state === 'connected' && call.answeredAt !== null ? act('hold', 'Hold') : null}
        {leg.state === 'held' ? act('retrieve', 'Retrieve') : null}
        {leg.role === 'caller' || leg.state === 'connected' || leg.state === 'held'
          ? act('clear', 'Hang up')
          : null}
      </View>
    </View>
  );
}

function phoneName(leg: Leg, office: OfficeIndex, people: PeopleIndex): string {
  switch (leg.endpoint.kind) {
    case 'device': {
      const owner = office.ownerOf(leg.endpoint.deviceId);
      const name = office.devices.get(leg.endpoint.deviceId)?.name ?? '';
      return owner ? `${owner.name}, ${name}` : name;
    }
    case 'outside':
      return identifyNumber(leg.endpoint.number, leg.endpoint.name, people).name;
    default:
      return 'A machine in the office';
  }
}

function CallFromPhone() {
  const dispatch = useAppDispatch();
  const office = useAppSelector(selectOffice);
  const me = useAppSelector(selectMe);
  const devices = office.setup.devices.filter(({ id }) => id !== me.deviceId);
  const colleagues = devices.find(({ kind, personId }) => kind === 'desk' && personId !== me.personId);
  const [from, setFrom] = useState((colleagues ?? devices[0])?.id ?? '');
  const [to, setTo] = useState(office.people.get(me.personId)?.extension ?? '');
  const isSignedIn = useAppSelector((state) => state.office.signedIn.includes(from));
  // An office that has just begun has no other phone.
  if (devices.length === 0) return null;
  const { services } = office.plan;
  const call = () =>
    void dispatch(sendOutside({ type: 'make', from: { kind: 'device', deviceId: from }, to }));
  return (
    <Section title="Phones in the office" sentence="As a colleague, or with your own desk phone or mobile.">
      <Choice
        asStrip
        label="Phone to call from"
        value={from}
        options={devices.map(({ id }) => ({ value: id, word: deviceWords(id, office) }))}
        onChoose={setFrom}
      />
      <Field label="Number to call" value={to} onChange={setTo} onSubmit={call} numeric />
      <Txt as="small">
        {`*${services.unpark} and a slot takes a parked call, *${services.pickUpGroup} picks up in the own team, *${services.pickUp} and an extension picks up there, *${services.join} and a code joins, *${services.mailbox} opens one’s mailbox.`}
      </Txt>
      <Plate
        kind="main"
        word={`Call ${to} from ${deviceWords(from, office)}`}
        disabled={!isSignedIn}
        onPress={call}
      />
      <Plate
        word={isSignedIn ? 'Sign it out' : 'Sign it in'}
        label={`${isSignedIn ? 'Sign it out' : 'Sign it in'}: ${deviceWords(from, office)}`}
        onPress={() =>
          void dispatch(sendOutside({ type: isSignedIn ? 'signOut' : 'signIn', deviceId: from }))
        }
      />
    </Section>
  );
}

function deviceWords(deviceId: string, office: OfficeIndex): string {
  const owner = office.ownerOf(deviceId);
  const name = office.devices.get(deviceId)?.name ?? '';
  return owner ? `${owner.name}’s ${name}` : name;
}
