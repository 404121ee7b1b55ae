import { useState } from 'react';

import { takesTexts } from '@/core/numbers/numbering';
import type { FaxScript } from '@/office/carrier';
import { selectOffice, useAppDispatch, useAppSelector } from '@/state/app';
import { playOutside } from '@/state/outside';
import { Choice } from '@/ui/field';
import { Plate } from '@/ui/plate';

import { partiesWith } from './parties';
import { Section } from './Section';

const scripts: Record<string, { word: string; script: FaxScript }> = {
  takes: { word: 'takes it', script: { kind: 'takes' } },
  busy: { word: 'is busy', script: { kind: 'busy' } },
  noAnswer: { word: 'rings out', script: { kind: 'noAnswer' } },
  voice: { word: 'is a voice', script: { kind: 'voice' } },
  breaksOff: { word: 'breaks off after a page', script: { kind: 'breaksOffAfter', pages: 1 } },
};

/** Fax one of the office’s lines as anybody, and say how their machine takes what is sent back. */
export function FaxIn() {
  const dispatch = useAppDispatch();
  const office = useAppSelector(selectOffice);
  const contacts = useAppSelector((state) => state.office.outsiders);
  const senders = partiesWith(contacts, (each) => !takesTexts(each));
  const [number, setNumber] = useState(senders[0]?.value ?? '');
  const [scriptId, setScriptId] = useState('takes');
  const line = office.setup.lines.find(({ faxes }) => faxes);
  const name = senders.find(({ value }) => value === number)?.word ?? number;
  const send = () =>
    line &&
    void dispatch(
      playOutside({
        kind: 'faxIn',
        fax: {
          number,
          lineId: line.id,
          title: 'Access permit',
          pages: 1,
          url: '/faxes/access-permit.pdf',
        },
      }),
    );
  return (
    <Section title="Fax in" sentence="A page from anyone who has a machine.">
      <Choice asStrip label="Who faxes" value={number} options={senders} onChoose={setNumber} />
      <Plate kind="main" word={`Fax ${line?.name ?? 'the office'} as ${name}`} onPress={send} />
      <Choice
        asStrip
        label="Their machine, when it is faxed"
        value={scriptId}
        options={Object.entries(scripts).map(([value, { word }]) => ({ value, word }))}
        onChoose={(id) => {
          setScriptId(id);
          const chosen = scripts[id];
          if (chosen) void dispatch(playOutside({ kind: 'faxScript', number, script: chosen.script }));
        }}
      />
    </Section>
  );
}
