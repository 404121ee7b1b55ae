import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import { interpretDialled, isExternal } from '@/core/numbers/numbering';
import { selectWrite, selectMyId, selectOffice, useAppDispatch, useAppSelector } from '@/state/app';
import { sendOutside } from '@/state/outside';
import { Choice, Field } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { space } from '@/ui/tokens';

import { Section } from './Section';

const withheld = 'withheld';
const another = 'another';

/** Place a call in, as anyone to any line. */
export function CallIn() {
  const write = useAppSelector(selectWrite);
  const dispatch = useAppDispatch();
  const office = useAppSelector(selectOffice);
  const contacts = useAppSelector((state) => state.office.outsiders);
  const myLineId = useAppSelector(
    (state) => selectOffice(state).people.get(selectMyId(state))?.presentedLineId,
  );
  const [caller, setCaller] = useState(contacts[0]?.id ?? another);
  const [lineId, setLineId] = useState(myLineId ?? '');
  const [typed, setTyped] = useState('');
  const [error, setError] = useState<string | null>(null);

  const line = office.lines.get(lineId);
  const callerName =
    contacts.find(({ id }) => id === caller)?.name ??
    (caller === withheld ? 'a withheld caller' : 'another number');

  const ring = () => {
    const number = numberOf();
    if (number === undefined) {
      setError('Type a whole phone number, for example 07700 900123.');
      return;
    }
    setError(null);
    if (line)
      void dispatch(
        sendOutside({ type: 'make', from: { kind: 'outside', number, name: null }, to: line.number }),
      );
  };

  function numberOf(): string | null | undefined {
    if (caller === withheld) return null;
    if (caller !== another) return contacts.find(({ id }) => id === caller)?.numbers[0]?.number;
    const dialled = interpretDialled(typed, office.plan);
    return isExternal(dialled) ? dialled.e164 : undefined;
  }

  return (
    <Section title="Call in" sentence="As anyone, to any line of the office.">
      <Choice
        asStrip
        label="Line to call"
        value={lineId}
        options={office.setup.lines.map(({ id, name, number }) => ({
          value: id,
          word: name,
          detail: write(number),
        }))}
        onChoose={setLineId}
      />
      <Choice
        asStrip
        label="Caller"
        value={caller}
        options={[
          ...contacts.map(({ id, name, firm }) => ({ value: id, word: name, detail: firm ?? undefined })),
          { value: withheld, word: 'A withheld caller' },
          { value: another, word: 'Another number' },
        ]}
        onChoose={setCaller}
      />
      {caller === another ? (
        <View style={styles.typed}>
          <Field
            label="The caller’s number"
            value={typed}
            onChange={setTyped}
            onSubmit={ring}
            error={error}
            numeric
          />
        </View>
      ) : null}
      <Plate kind="main" word={`Ring ${line?.name ?? 'the office'} as ${callerName}`} onPress={ring} />
    </Section>
  );
}

const styles = StyleSheet.create({ typed: { paddingTop: space.s } });
