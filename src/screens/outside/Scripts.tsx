import { useState } from 'react';

import type { Script } from '@/office/standins';
import { useAppDispatch, useAppSelector } from '@/state/app';
import { playOutside, useScriptOf } from '@/state/outside';
import { Choice } from '@/ui/field';

import { partiesWith } from './parties';
import { Section } from './Section';

type Behaviour = 'answers' | 'busy' | 'neverAnswers' | 'refuses' | 'unknownNumber' | 'byHand' | 'menu';

const words: Record<Behaviour, string> = {
  answers: 'Answers after 3 s',
  busy: 'Is busy',
  neverAnswers: 'Never answers',
  refuses: 'Refuses after 3 s',
  unknownNumber: 'Number does not exist',
  byHand: 'Does what you do here',
  menu: 'Has a voice menu',
};

const scripts: Record<Exclude<Behaviour, 'menu'>, Script> = {
  answers: { kind: 'answers', afterSeconds: 3, talksForSeconds: null, clip: 'hello-someone' },
  busy: { kind: 'busy' },
  neverAnswers: { kind: 'neverAnswers' },
  refuses: { kind: 'refuses', afterSeconds: 3 },
  unknownNumber: { kind: 'unknownNumber' },
  byHand: { kind: 'byHand' },
};

/** How each stand-in behaves when it is called. */
export function Scripts() {
  const dispatch = useAppDispatch();
  const contacts = useAppSelector((state) => state.office.outsiders);
  const [party, setParty] = useState<string>(contacts[0]?.numbers[0]?.number ?? '');
  const parties = partiesWith(contacts, () => true);
  const current = useScriptOf(party)?.kind ?? 'byHand';
  const behaviours = (Object.keys(words) as Behaviour[]).filter(
    (kind) => kind !== 'menu' || current === 'menu',
  );
  return (
    <Section title="How they behave" sentence="What somebody outside does when you call them.">
      <Choice asStrip label="Who" value={party} options={parties} onChoose={setParty} />
      <Choice
        asStrip
        label="What they do"
        value={current}
        options={behaviours.map((kind) => ({ value: kind, word: words[kind] }))}
        onChoose={(kind) => {
          if (kind === 'menu') return;
          void dispatch(playOutside({ kind: 'script', party, script: scripts[kind] }));
        }}
      />
    </Section>
  );
}
