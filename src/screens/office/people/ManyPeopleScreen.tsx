import { useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';

import {
  changeSetup,
  newProblems,
  placesEdits,
  readPeopleTable,
  type PeopleTable,
} from '@/core/setup/changes';
import { selectMyId, selectOffice, useAppSelector } from '@/state/app';
import { selectRunsOffice } from '@/state/configuration';
import { EmptyState, Problem } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';
import { VirtualList } from '@/ui/virtualList';

import { whetherHere } from '../../shared/afterPaint';
import { pickFile } from '../../shared/files';
import { useGo } from '../../shared/useGo';
import { Gone } from '../form/Gone';
import { useUndoableChange } from '../form/useUndoableChange';
import { ScreenTitle } from '../../shared/ScreenTitle';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    screen: { flex: 1, minHeight: 0 },
    head: { padding: space.l, gap: space.m, borderBottomWidth: 1, borderColor: colours.ink },
    problems: { maxHeight: 220 },
    list: { flex: 1, minHeight: 0 },
    row: {
      padding: space.m,
      borderBottomWidth: 1,
      borderColor: colours.rule,
      backgroundColor: colours.sheet,
    },
    foot: {
      flexDirection: 'row',
      flexWrap: 'wrap',
      gap: space.s,
      padding: space.m,
      backgroundColor: colours.paper,
      borderTopWidth: 1,
      borderColor: colours.ink,
    },
  }),
);

/** Many people at once, out of a table: shown before they come, and had out again by one tap. */
export function ManyPeopleScreen() {
  const runs = useAppSelector(selectRunsOffice);
  return runs ? <ManyPeople /> : <Gone what="Only whoever runs the office sees this." />;
}

function ManyPeople() {
  const styles = useStyles();
  const go = useGo();
  const change = useUndoableChange();
  const { setup } = useAppSelector(selectOffice);
  const myId = useAppSelector(selectMyId);
  const [table, setTable] = useState<PeopleTable | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const [isBusy, setBusy] = useState(false);
  const people = table?.people ?? [];
  const count = people.length === 1 ? '1 person' : `${people.length} people`;
  const open = async () => {
    const file = await pickFile('.csv,.tsv,.txt,text/csv');
    if (!file) return;
    setFault(null);
    setTable(readPeopleTable(file.text, setup));
  };
  const take = async () => {
    const edits = placesEdits(
      setup,
      people.map(({ place }) => place),
    );
    // Somebody may have taken an extension since the table was read.
    const outcome = changeSetup(setup, edits, { id: '', byId: myId, at: 0 });
    const [problem] = outcome.ok ? newProblems(setup, outcome.setup) : [];
    if (problem) return setFault(`${problem.sentence} Choose the file once more.`);
    setBusy(true);
    const isHere = whetherHere();
    const said = `${count} ${people.length === 1 ? 'is' : 'are'} here.`;
    const isDone = await change(edits, { said, what: `${count} out again`, undone: `${count} out again.` });
    setBusy(false);
    if (isDone && isHere()) go.officePart('people');
  };
  return (
    <View style={styles.screen}>
      <View style={styles.head}>
        <View>
          <ScreenTitle>Many people at once</ScreenTitle>
          <Txt as="small">
            A table as CSV with a row for each, and the heads name, role, extension, phones (app, desk,
            mobile), teams and line. Only the name is needed.
          </Txt>
        </View>
        {fault === null ? null : <Problem sentence={fault} />}
        {table && table.problems.length > 0 ? (
          <ScrollView style={styles.problems} tabIndex={0} role="region" aria-label="Who can’t come">
            {table.problems.map(({ line, sentence }) => (
              <Problem key={line} sentence={`Line ${line}: ${sentence}`} />
            ))}
          </ScrollView>
        ) : null}
        {people.length > 0 ? <Txt as="strong">{count} can come.</Txt> : null}
      </View>
      <View style={styles.list}>
        {people.length > 0 ? (
          <VirtualList
            label="Who comes"
            items={people}
            keyOf={({ line }) => String(line)}
            heightOf={() => 62}
            isPressable={() => false}
            render={({ place }) => (
              <View style={styles.row}>
                <Txt as="strong">{place.name}</Txt>
                <Txt as="small">
                  {[place.extension, ...(place.role === '' ? [] : [place.role])].join(' · ')}
                </Txt>
              </View>
            )}
          />
        ) : (
          <EmptyState
            title={table ? 'Nobody can come' : 'Nothing is read yet'}
            sentence={
              table
                ? 'What is wrong stands above, by line.'
                : 'Who comes is shown here before anything is changed.'
            }
          />
        )}
      </View>
      <View style={styles.foot}>
        <Plate word="People" onPress={() => go.officePart('people')} />
        <Plate
          word={table ? 'Another file' : 'Choose a file'}
          kind={people.length > 0 ? 'plain' : 'main'}
          onPress={() => void open()}
        />
        {people.length > 0 ? (
          <Plate
            kind="main"
            word={isBusy ? 'Taking them in …' : `Take in ${count}`}
            disabled={isBusy}
            onPress={() => void take()}
          />
        ) : null}
      </View>
    </View>
  );
}
