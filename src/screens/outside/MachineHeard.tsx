import { useState } from 'react';
import { View } from 'react-native';

import { greetingOf, isOpenRoom, type Call, type Leg, type Visit } from '@/core/calls/exchange';
import { callBackNumber, spokenInQueue } from '@/core/calls/queueing';
import { menuTextAt, whereTo } from '@/core/setup';
import { hearGreeting, selectOffice, useAppDispatch, useAppSelector, useServices } from '@/state/app';
import { sendOutside } from '@/state/outside';
import { Field } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

interface HeardProps {
  call: Call;
  leg: Leg;
}

/** What a caller hears of a machine of the office, and the keys they may press: a mailbox, a menu, a conference, a queue, or that a text comes. */
export function MachineHeard({ call, leg }: HeardProps) {
  if (leg.role !== 'caller') return null;
  const machine = call.legs.find(
    ({ endpoint, state }) =>
      (state === 'connected' || state === 'queued') &&
      endpoint.kind !== 'device' &&
      endpoint.kind !== 'outside',
  );
  switch (machine?.endpoint.kind) {
    case 'mailbox':
      return machine.visit ? (
        <VisitHeard leg={leg} visit={machine.visit} />
      ) : (
        <MailboxHeard call={call} leg={leg} mailbox={machine} personId={machine.endpoint.personId} />
      );
    case 'teamMailbox':
      return <TeamMailboxHeard mailbox={machine} teamId={machine.endpoint.teamId} />;
    case 'menu':
      return <MenuHeard call={call} leg={leg} machine={machine} menuId={machine.endpoint.menuId} />;
    case 'conference':
      return isOpenRoom(machine) ? null : <EntranceHeard leg={leg} machine={machine} />;
    case 'queue':
      return <QueueHeard call={call} leg={leg} teamId={machine.endpoint.teamId} />;
    case 'textNotice':
      return <Txt as="small">hears: “We can’t answer now, and send you a text.”</Txt>;
    default:
      return null;
  }
}

interface MailboxHeardProps extends HeardProps {
  mailbox: Leg;
  personId: string;
}

function MailboxHeard({ call, leg, mailbox, personId }: MailboxHeardProps) {
  const dispatch = useAppDispatch();
  const office = useAppSelector(selectOffice);
  const { clock } = useServices();
  const plan = office.ringPlans.get(personId);
  const greeting = greetingOf(office, call, personId, clock.now());
  const mayAsk = (plan?.findMe ?? []).length > 0 && !call.acts.some(({ act }) => act === 'searchedFor');
  const spoken = greeting?.recorded
    ? `the greeting in their own voice, ${greeting.recorded.seconds} s`
    : `“${greeting?.text ?? 'Please leave a message after the tone.'}”`;
  const words = {
    greeting: `hears: ${spoken}${mayAsk ? ' “Press 1, and we will try their other phones.”' : ''}`,
    recording: 'speaks to the mailbox',
    name: 'hears: “Say your name.”',
    visit: '',
  };
  return (
    <View style={{ gap: space.s }}>
      <Txt as="small">{words[mailbox.mailboxPhase ?? 'greeting']}</Txt>
      {greeting?.recorded ? (
        <Plate word="Hear the greeting" onPress={() => void dispatch(hearGreeting(greeting))} />
      ) : null}
      {mailbox.mailboxPhase === 'greeting' ? (
        <Plate
          word="Press star, it is their mailbox"
          onPress={() => void dispatch(sendOutside({ type: 'sendDigits', legId: leg.id, digits: '*' }))}
        />
      ) : null}
      {mayAsk && mailbox.mailboxPhase !== 'name' ? (
        <Plate
          word="Press 1, find them"
          onPress={() => void dispatch(sendOutside({ type: 'sendDigits', legId: leg.id, digits: '1' }))}
        />
      ) : null}
    </View>
  );
}

/** Whoever goes through their mailbox: what is said to them, and what they may press. */
function VisitHeard({ leg, visit }: { leg: Leg; visit: Visit }) {
  const dispatch = useAppDispatch();
  const [typed, setTyped] = useState('');
  const press = (digits: string) => void dispatch(sendOutside({ type: 'sendDigits', legId: leg.id, digits }));
  return (
    <View style={{ gap: space.s }}>
      <Txt as="small">
        {visit.phase === 'checking' ? 'waits while the PIN is looked at' : `hears: “${visit.says.text}”`}
        {visit.says.voicemailId === null ? '' : ' and the message'}
      </Txt>
      {visit.phase === 'open' ? (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space.s }}>
          {visitKeys.map(({ key, does }) => (
            <Plate key={key} word={`Press ${key}, ${does}`} onPress={() => press(key)} />
          ))}
        </View>
      ) : (
        <>
          <Field
            label="PIN they type"
            value={typed}
            onChange={(text) => setTyped(text.replace(/[^0-9*]/g, ''))}
            numeric
            keyboard="phone-pad"
          />
          <Plate
            word="Press these, and hash"
            disabled={typed === '' || visit.phase === 'checking'}
            onPress={() => {
              press(`${typed}#`);
              setTyped('');
            }}
          />
        </>
      )}
    </View>
  );
}

const visitKeys = [
  { key: '1', does: 'next' },
  { key: '2', does: 'again' },
  { key: '3', does: 'delete' },
  { key: '4', does: 'call back' },
  { key: '5', does: 'greeting' },
];

function TeamMailboxHeard({ mailbox, teamId }: { mailbox: Leg; teamId: string }) {
  const team = useAppSelector((state) => selectOffice(state).teams.get(teamId));
  const isGreeting = mailbox.mailboxPhase === 'greeting';
  return (
    <Txt as="small">
      {isGreeting ? `hears: “${team?.mailbox?.text ?? ''}”` : 'speaks to the team’s mailbox'}
    </Txt>
  );
}

function QueueHeard({ call, leg, teamId }: HeardProps & { teamId: string }) {
  const dispatch = useAppDispatch();
  const office = useAppSelector(selectOffice);
  const queue = office.teams.get(teamId)?.queue;
  if (!queue || !call.queued) return null;
  const number = leg.endpoint.kind === 'outside' ? leg.endpoint.number : null;
  const mayBeCalled = callBackNumber(office.setup, number) !== null;
  return (
    <View style={{ gap: space.s }}>
      <Txt as="small">{`hears: “${spokenInQueue(queue, call.queued.told, mayBeCalled)}”${queue.music === 'none' ? '' : ' and music'}`}</Txt>
      {queue.offersCallBack && mayBeCalled ? (
        <Plate
          word="Press 1, be called back"
          onPress={() => void dispatch(sendOutside({ type: 'sendDigits', legId: leg.id, digits: '1' }))}
        />
      ) : null}
    </View>
  );
}

function EntranceHeard({ leg, machine }: { leg: Leg; machine: Leg }) {
  const dispatch = useAppDispatch();
  const [typed, setTyped] = useState('');
  const isWrong = machine.entrance?.phase === 'wait';
  return (
    <View style={{ gap: space.s }}>
      <Txt as="small">
        {isWrong
          ? 'hears: “That was not the PIN. Please wait, and try again.”'
          : 'hears: “Type the PIN, and press hash.”'}
      </Txt>
      <Field
        label="PIN they type"
        value={typed}
        onChange={(text) => setTyped(text.replace(/\D/g, ''))}
        numeric
        keyboard="phone-pad"
      />
      <Plate
        word="Press these, and hash"
        disabled={typed === '' || isWrong}
        onPress={() => {
          void dispatch(sendOutside({ type: 'sendDigits', legId: leg.id, digits: `${typed}#` }));
          setTyped('');
        }}
      />
    </View>
  );
}

function MenuHeard({ call, leg, machine, menuId }: HeardProps & { machine: Leg; menuId: string }) {
  const dispatch = useAppDispatch();
  const office = useAppSelector(selectOffice);
  const { clock } = useServices();
  const [dialled, setDialled] = useState('');
  const menu = office.menus.get(menuId);
  if (!menu) return null;
  const press = (digits: string) => void dispatch(sendOutside({ type: 'sendDigits', legId: leg.id, digits }));
  const { menuEntry: entry } = machine;
  const choices = (entry?.choices ?? []).map((extension, at) => ({
    key: String(at + 1),
    name: whereTo(extension, office),
  }));
  const spoken =
    entry?.asks === 'choice'
      ? `“Press ${choices.map(({ key, name }) => `${key} for ${name}`).join(', ')}.”`
      : entry?.asks === 'name'
        ? '“Spell the name on your keys, and press hash.”'
        : `“${menuTextAt(menu, clock.now(), office.setup.zone, call.language)}”`;
  const keys =
    entry?.asks === 'choice' ? choices : menu.keys.map(({ key, to }) => ({ key, name: whereTo(to, office) }));
  const mayDial = menu.dialsExtensions === true || entry?.asks === 'name';
  return (
    <View style={{ gap: space.s }}>
      <Txt as="small">{`hears: ${spoken}`}</Txt>
      {entry?.asks === 'name'
        ? null
        : keys.map(({ key, name }) => (
            <Plate key={key} word={`Press ${key}, ${name}`} onPress={() => press(key)} />
          ))}
      {entry
        ? null
        : menu.languages?.map(({ key, language }) => (
            <Plate key={key} word={`Press ${key}, ${language}`} onPress={() => press(key)} />
          ))}
      {menu.nameKey !== undefined && !entry ? (
        <Plate word={`Press ${menu.nameKey}, to spell a name`} onPress={() => press(menu.nameKey ?? '')} />
      ) : null}
      {mayDial && entry?.asks !== 'choice' ? (
        <>
          <Field
            label={entry?.asks === 'name' ? 'Keys of the name, such as 827 for Var' : 'Extension they dial'}
            value={dialled}
            onChange={(text) => setDialled(text.replace(/[^0-9*#]/g, ''))}
            numeric
            keyboard="phone-pad"
          />
          <Plate
            word={entry?.asks === 'name' ? 'Press these, and hash' : 'Press these'}
            disabled={dialled === ''}
            onPress={() => {
              press(entry?.asks === 'name' ? `${dialled}#` : dialled);
              setDialled('');
            }}
          />
        </>
      ) : null}
    </View>
  );
}
