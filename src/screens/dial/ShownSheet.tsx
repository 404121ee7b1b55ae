import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import type { Shown } from '@/core/calls/callerId';
import { calledFor, mayShow, type Line } from '@/core/setup';
import {
  selectWrite,
  presentationChosen,
  selectCallerChoices,
  selectContacts,
  selectMyId,
  selectOffice,
  shownForChosen,
  shownOnceChosen,
  shownRuleChosen,
  useAppDispatch,
  useAppSelector,
  type Travel,
} from '@/state/app';
import { Choice } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

const withheld = 'withhold';
type Scope = 'once' | 'everybody' | 'person' | 'such';

interface ShownSheetProps {
  travel: Pick<Travel, 'shown' | 'personKey' | 'rate'>;
  onClose: () => void;
}

/** Which number the other side sees, and for which calls: this one, those to this person or to such numbers, or all. */
export function ShownSheet({ travel: { shown, personKey, rate }, onClose }: ShownSheetProps) {
  const write = useAppSelector(selectWrite);
  const dispatch = useAppDispatch();
  const office = useAppSelector(selectOffice);
  const { shownFor, shownRules } = useAppSelector(selectCallerChoices);
  const contacts = useAppSelector(selectContacts);
  const [scope, setScope] = useState<Scope>('once');
  const myId = useAppSelector(selectMyId);
  const lines = office.setup.lines.filter((line) => mayShow(office.setup, myId, line));
  const inWhoseName = (line: Line) => {
    const person = calledFor(office.setup, myId, line);
    return person && `for ${person.name}`;
  };
  const mayWithhold = office.setup.policies.mayWithhold ?? true;
  const nameOf = (key: string) => contacts.find(({ id }) => `contact:${id}` === key)?.name ?? 'this person';
  const choose = (value: string) => {
    const chosen: Shown = value === withheld ? withheld : { lineId: value };
    if (scope === 'once') dispatch(shownOnceChosen(chosen));
    else if (scope === 'person' && personKey !== null)
      dispatch(shownForChosen({ key: personKey, shown: chosen }));
    else if (scope === 'such' && rate) dispatch(shownRuleChosen({ prefix: rate.prefix, shown: chosen }));
    else dispatch(presentationChosen(chosen));
    if (scope !== 'once') dispatch(shownOnceChosen(null));
    onClose();
  };
  const remembered = personKey === null ? undefined : shownFor[personKey];
  const rule = shownRules.find(({ prefix }) => prefix === rate?.prefix);
  return (
    <Sheet title="Which number they see" onClose={onClose}>
      <View style={styles.stack}>
        <Txt as="small">{shownBecause[shown.by]}</Txt>
        <Choice
          asStrip
          label="For which calls"
          value={scope}
          options={[
            { value: 'once' as const, word: 'this call' },
            ...(personKey === null
              ? []
              : [{ value: 'person' as const, word: `${nameOf(personKey)}, always` }]),
            ...(rate ? [{ value: 'such' as const, word: `${rate.name} numbers, always` }] : []),
            { value: 'everybody' as const, word: 'every call, always' },
          ]}
          onChoose={setScope}
        />
        <Choice
          label="Which number they see"
          value={shown.shown === withheld ? withheld : shown.shown.lineId}
          options={[
            ...lines.map((line) => ({
              value: line.id,
              word: line.name,
              detail: [write(line.number), inWhoseName(line)].filter(Boolean).join(' · '),
            })),
            ...(mayWithhold ? [{ value: withheld, word: 'None', detail: 'Your number is withheld' }] : []),
          ]}
          onChoose={choose}
        />
        {personKey !== null && remembered !== undefined ? (
          <Plate
            word={`Forget it for ${nameOf(personKey)}`}
            onPress={() => dispatch(shownForChosen({ key: personKey, shown: null }))}
          />
        ) : null}
        {rule && rate ? (
          <Plate
            word={`Forget it for ${rate.name} numbers`}
            onPress={() => dispatch(shownRuleChosen({ prefix: rule.prefix, shown: null }))}
          />
        ) : null}
      </View>
    </Sheet>
  );
}

const shownBecause: Record<Travel['shown']['by'], string> = {
  emergency: 'An emergency call always shows your own number.',
  office: 'The office decides which number is seen there.',
  mustShow: 'The office does not let numbers be withheld.',
  thisCall: 'Withheld for this call by the prefix you typed.',
  onceChosen: 'What you chose for this call.',
  person: 'Remembered for this person.',
  destination: 'What you chose for such numbers.',
  choice: 'What you chose for every call.',
  usual: 'Your usual line.',
};

const styles = StyleSheet.create({ stack: { gap: space.m } });
