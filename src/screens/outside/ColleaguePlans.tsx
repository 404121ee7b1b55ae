import { useState } from 'react';
import { View } from 'react-native';

import { describeFinish } from '@/core/setup';
import { selectMyId, selectOffice, useAppDispatch, useAppSelector } from '@/state/app';
import { sendOutsideAndSay } from '@/state/outside';
import { Choice, Field } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

import { Section } from './Section';

type Stance = 'free' | 'away' | 'off' | 'doNotDisturb';

const stances = [
  { value: 'free', word: 'free' },
  { value: 'away', word: 'away' },
  { value: 'off', word: 'off' },
  { value: 'doNotDisturb', word: 'do not disturb' },
] as const satisfies readonly { value: Stance; word: string }[];

/** What a colleague says of themselves, and where they forward everything. */
export function ColleaguePlans() {
  const dispatch = useAppDispatch();
  const office = useAppSelector(selectOffice);
  const myId = useAppSelector(selectMyId);
  const others = office.setup.people.filter(({ id }) => id !== myId);
  const [personId, setPersonId] = useState(others[0]?.id ?? '');
  const [to, setTo] = useState('');
  const person = office.people.get(personId);
  const plan = office.ringPlans.get(personId) ?? { personId, rules: [] };
  if (!person) return null;
  const forward = plan.forwards?.[0];
  const stance: Stance = plan.doNotDisturb
    ? 'doNotDisturb'
    : ((person.situation?.id as Stance | undefined) ?? 'free');

  const forwardTo = (number: string) =>
    dispatch(
      sendOutsideAndSay(
        {
          type: 'configure',
          people: [],
          ringPlans: [
            {
              ...plan,
              forwards:
                number === '' ? [] : [{ to: { kind: 'forward', to: number }, from: null, until: null }],
            },
          ],
        },
        number === ''
          ? `${person.name} forwards nothing.`
          : `${person.name} forwards everything to ${number}.`,
      ),
    );
  const stand = (next: Stance) => {
    const situations = stances
      .filter(({ value }) => value === 'away' || value === 'off')
      .map(({ value, word }) => ({ id: value, name: word, shows: value as 'away' | 'off' }));
    const isSituation = next === 'away' || next === 'off';
    void dispatch(
      sendOutsideAndSay(
        {
          type: 'configure',
          people: [
            {
              ...person,
              situations,
              situation: isSituation ? { id: next, word: '', until: null } : undefined,
            },
          ],
          ringPlans: [
            {
              ...plan,
              doNotDisturb:
                next === 'doNotDisturb'
                  ? { mode: 'quiet', until: null, passes: [], passLineIds: [] }
                  : undefined,
            },
          ],
        },
        `${person.name} is ${stances.find(({ value }) => value === next)?.word ?? next}.`,
      ),
    );
  };
  return (
    <Section
      title="What colleagues say of themselves"
      sentence="Their presence is seen at once, and their forwards are followed."
    >
      <Choice
        asStrip
        label="Colleague"
        value={personId}
        options={others.map(({ id, name }) => ({ value: id, word: name }))}
        onChoose={setPersonId}
      />
      <Choice asStrip label="They are" value={stance} options={stances} onChoose={stand} />
      <Txt>{forward ? `Everything is ${describeFinish(forward.to, office)}.` : 'They forward nothing.'}</Txt>
      <Field label="Forward everything of theirs to" value={to} onChange={setTo} numeric />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space.s }}>
        <Plate word="Forward theirs" onPress={() => void forwardTo(to.trim())} disabled={to.trim() === ''} />
        <Plate word="Forward nothing" onPress={() => void forwardTo('')} disabled={!forward} />
      </View>
    </Section>
  );
}
