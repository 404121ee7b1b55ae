import { useState } from 'react';

import { roomNumber } from '@/core/inbox/messages';
import { takesTexts } from '@/core/numbers/numbering';
import type { TextScript } from '@/office/carrier';
import { selectMyId, selectOffice, useAppDispatch, useAppSelector } from '@/state/app';
import { playOutside } from '@/state/outside';
import { Choice, Field } from '@/ui/field';
import { Plate } from '@/ui/plate';

import { partiesWith } from './parties';
import { Section } from './Section';

const scripts: Record<string, { word: string; script: TextScript }> = {
  delivers: { word: 'gets it after 3 s', script: { kind: 'delivers', afterSeconds: 3, reply: null } },
  answers: {
    word: 'gets it, and answers',
    script: { kind: 'delivers', afterSeconds: 3, reply: { text: 'Thank you.', afterSeconds: 10 } },
  },
  phoneOff: { word: 'is switched off', script: { kind: 'phoneOff' } },
  refuses: { word: 'is no number', script: { kind: 'refuses' } },
  unreachable: { word: 'carrier is down', script: { kind: 'unreachable' } },
};

/** Text one of the office’s lines as anybody, and say how their phone takes what comes back. */
export function TextIn() {
  const dispatch = useAppDispatch();
  const office = useAppSelector(selectOffice);
  const contacts = useAppSelector((state) => state.office.outsiders);
  const myId = useAppSelector(selectMyId);
  const customers = partiesWith(contacts, takesTexts);
  const colleagues = office.setup.people
    .filter(({ id }) => id !== myId)
    .map(({ name, extension }) => ({ value: extension, word: name }));
  const writers = [...customers, ...colleagues];
  const [number, setNumber] = useState(writers[0]?.value ?? '');
  const [text, setText] = useState('Can you look at the gauge today?');
  const [error, setError] = useState<string | null>(null);
  const [roomId, setRoomId] = useState('alone');
  const rooms = useAppSelector((state) => state.inbox.kept.rooms);
  const [scriptId, setScriptId] = useState('delivers');
  const line = office.setup.lines.find(({ texts }) => texts);
  const name = writers.find(({ value }) => value === number)?.word ?? number;
  const colleague = office.peopleByExtension.get(number);
  const theirs = Object.values(rooms).filter(
    ({ closedAt, memberIds }) => closedAt === null && memberIds.includes(colleague?.id ?? ''),
  );
  const to = theirs.find(({ id }) => id === roomId);
  const write = (asks: 'callBack' | null) => {
    if (text.trim() === '') return setError('Write what they text.');
    if (!line) return;
    const words = { lineId: line.id, text: text.trim(), picture: null, asks };
    const from = to ? { number: roomNumber(to.id), fromId: colleague?.id ?? null } : { number };
    void dispatch(playOutside({ kind: 'textIn', text: { ...words, ...from } }));
  };
  return (
    <Section title="Text in" sentence="As anyone whose phone can text, or as a colleague.">
      <Choice asStrip label="Who texts" value={number} options={writers} onChoose={setNumber} />
      <Field
        label="What they text"
        value={text}
        onChange={(typed) => {
          setText(typed);
          setError(null);
        }}
        error={error}
        lines={2}
      />
      {theirs.length > 0 ? (
        <Choice
          asStrip
          label="Where they write"
          value={to?.id ?? 'alone'}
          options={[
            { value: 'alone', word: 'to you alone' },
            ...theirs.map(({ id, name: room }) => ({ value: id, word: room })),
          ]}
          onChoose={setRoomId}
        />
      ) : null}
      <Plate
        kind="main"
        word={colleague ? `Write as ${name}` : `Text ${line?.name ?? 'the office'} as ${name}`}
        onPress={() => write(null)}
      />
      {colleague ? <Plate word={`Ask for a call as ${name}`} onPress={() => write('callBack')} /> : null}
      <Choice
        asStrip
        label="Their phone, when it is texted"
        value={scriptId}
        options={Object.entries(scripts).map(([value, { word }]) => ({ value, word }))}
        onChoose={(id) => {
          setScriptId(id);
          const chosen = scripts[id];
          if (chosen) void dispatch(playOutside({ kind: 'textScript', number, script: chosen.script }));
        }}
      />
    </Section>
  );
}
