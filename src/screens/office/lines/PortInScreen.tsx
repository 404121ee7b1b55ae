import { useMemo, useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';

import { changeSetup, newProblems, portInEdits, readPortIn } from '@/core/setup/changes';
import { selectWrite, selectMyId, selectOffice, useAppSelector } from '@/state/app';
import { selectRunsOffice } from '@/state/configuration';
import { Choice, Field } from '@/ui/field';
import { Problem } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';

import { whetherHere } from '../../shared/afterPaint';
import { useGo } from '../../shared/useGo';
import { lineOwnerChoices } from '../form/fields';
import { Gone } from '../form/Gone';
import { useUndoableChange } from '../form/useUndoableChange';
import { ScreenTitle } from '../../shared/ScreenTitle';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    screen: { flex: 1 },
    body: { padding: space.l, gap: space.l, maxWidth: 640 },
    list: { borderTopWidth: 1, borderColor: colours.ink },
    row: {
      flexDirection: 'row',
      flexWrap: 'wrap',
      columnGap: space.m,
      paddingVertical: space.s,
      borderBottomWidth: 1,
      borderColor: colours.rule,
    },
    number: { flexBasis: 150 },
    foot: {
      flexDirection: 'row',
      flexWrap: 'wrap',
      gap: space.s,
      padding: space.m,
      backgroundColor: colours.sheet,
      borderTopWidth: 1,
      borderColor: colours.ink,
    },
    grow: { flexGrow: 1 },
  }),
);

/** Numbers that the office brings along from another carrier: shown before they come, and had out again by one tap. */
export function PortInScreen() {
  const runs = useAppSelector(selectRunsOffice);
  return runs ? <PortIn /> : <Gone what="Only whoever runs the office sees this." />;
}

/** More are counted. */
const mostShown = 30;

function PortIn() {
  const write = useAppSelector(selectWrite);
  const styles = useStyles();
  const go = useGo();
  const change = useUndoableChange();
  const { setup } = useAppSelector(selectOffice);
  const myId = useAppSelector(selectMyId);
  const [text, setText] = useState('');
  const [ownerId, setOwnerId] = useState(myId);
  const [fault, setFault] = useState<string | null>(null);
  const [isBusy, setBusy] = useState(false);
  const { numbers, problems } = useMemo(() => readPortIn(text, setup), [text, setup]);
  const count = numbers.length === 1 ? '1 number' : `${numbers.length} numbers`;
  const take = async () => {
    const edits = portInEdits(setup, numbers, ownerId);
    const outcome = changeSetup(setup, edits, { id: '', byId: myId, at: 0 });
    const [problem] = outcome.ok ? newProblems(setup, outcome.setup) : [];
    if (problem) return setFault(problem.sentence);
    setBusy(true);
    const isHere = whetherHere();
    const said = `${count} ${numbers.length === 1 ? 'is' : 'are'} here.`;
    const isDone = await change(edits, { said, what: `${count} out again`, undone: `${count} out again.` });
    setBusy(false);
    if (isDone && isHere()) go.officePart('lines');
  };
  return (
    <View style={styles.screen}>
      <ScrollView contentContainerStyle={styles.body} tabIndex={0}>
        <View>
          <ScreenTitle>Bring numbers along</ScreenTitle>
          <Txt as="small">
            Numbers that you have with another carrier, each in a line of its own, with a comma and what it is
            for. A range is written 0131 496 0300 - 0309. Each becomes a line; the stand-in carrier takes them
            at once, a real one some days later.
          </Txt>
        </View>
        <Field label="Numbers, or ranges of them" value={text} onChange={setText} lines={5} />
        {fault === null ? null : <Problem sentence={fault} />}
        {problems.length > 0 ? (
          <View role="region" aria-label="What can’t come">
            {problems.map(({ line, sentence }, at) => (
              <Problem key={`${line} ${at}`} sentence={`Line ${line}: ${sentence}`} />
            ))}
          </View>
        ) : null}
        {numbers.length > 0 ? (
          <View>
            <Txt as="strong">{`${count} can come`}</Txt>
            <View role="list" aria-label="What comes" style={styles.list}>
              {numbers.slice(0, mostShown).map(({ number, name }) => (
                <View key={number} role="listitem" style={styles.row}>
                  <Txt as="mono" style={styles.number}>
                    {write(number)}
                  </Txt>
                  {name === write(number) ? null : <Txt>{name}</Txt>}
                </View>
              ))}
            </View>
            {numbers.length > mostShown ? (
              <Txt as="small">{`And ${numbers.length - mostShown} more.`}</Txt>
            ) : null}
          </View>
        ) : null}
        <View>
          <Txt as="small">Who has their calls</Txt>
          <Choice
            label="Who has their calls"
            value={ownerId}
            options={lineOwnerChoices(setup)}
            onChoose={setOwnerId}
          />
        </View>
      </ScrollView>
      <View style={styles.foot}>
        <Plate word="Lines" onPress={() => go.officePart('lines')} />
        <Plate
          kind="main"
          word={
            isBusy ? 'Bringing them …' : numbers.length === 0 ? 'Bring them along' : `Bring ${count} along`
          }
          disabled={isBusy || numbers.length === 0}
          style={styles.grow}
          onPress={() => void take()}
        />
      </View>
    </View>
  );
}
