import { useEffect, useRef, useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';

import type { Contact, OwnContact } from '@/core/people';
import type { CsvField, ReadPeople } from '@/core/peopleFiles';
import { useAppDispatch, useAppSelector } from '@/state/app';
import { takeInPeople, takeOutPeople } from '@/state/catchUp';
import { Problem } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';
import { readPeopleFile, writePeopleFile, type PeopleAnswer } from '@/workers/peopleFile';

import { pickBlob, saveFile } from '../shared/files';
import { useGo } from '../shared/useGo';
import { ColumnsPart } from './ColumnsPart';

const mostProblems = 20;
const mostBytes = 60_000_000;

type Step =
  | { kind: 'begin'; problem: string | null }
  | { kind: 'reading'; share: number }
  | { kind: 'table'; table: Extract<PeopleAnswer, { kind: 'table' }> }
  | { kind: 'read'; read: ReadPeople }
  | { kind: 'taken'; ids: string[]; count: number };

/** People out of a file of another program: read beside the page, shown before they are taken in, and taken out again. */
export function ImportScreen() {
  const go = useGo();
  const dispatch = useAppDispatch();
  const [step, setStep] = useState<Step>({ kind: 'begin', problem: null });
  const reading = useRef<ReturnType<typeof readPeopleFile> | null>(null);
  const stop = () => {
    reading.current?.stop();
    reading.current = null;
  };
  useEffect(() => stop, []);
  const begin = (problem: string | null = null) => {
    stop();
    setStep({ kind: 'begin', problem });
  };
  const choose = async () => {
    const file = await pickBlob('.vcf,.csv,.txt,text/vcard,text/csv');
    if (!file) return;
    if (file.size > mostBytes) return begin(`${file.name} is larger than 60 MB.`);
    setStep({ kind: 'reading', share: 0 });
    reading.current = readPeopleFile(
      await file.arrayBuffer(),
      (answer) => {
        if (answer.kind === 'progress') setStep({ kind: 'reading', share: answer.share });
        else if (answer.kind === 'table') setStep({ kind: 'table', table: answer });
        else if (answer.kind === 'people') setStep({ kind: 'read', read: answer.read });
      },
      () => begin('The file could not be read: this part of the app has not been fetched.'),
    );
  };
  const readColumns = (fields: CsvField[]) => {
    setStep({ kind: 'reading', share: 0 });
    reading.current?.readColumns(fields);
  };
  const takeIn = ({ people }: ReadPeople) => {
    const ids = dispatch(takeInPeople(people));
    stop();
    setStep({ kind: 'taken', ids, count: people.length });
  };
  return (
    <ScrollView style={styles.screen} contentContainerStyle={styles.body} tabIndex={0}>
      <View>
        <Txt as="title" level={1}>
          Bring people in
        </Txt>
        <Txt as="small">
          vCards (2.1, 3.0, 4.0) or a table (CSV, parted by commas, semicolons or tabs). Nothing is taken in
          before you have seen it.
        </Txt>
      </View>
      {step.kind === 'begin' ? (
        <>
          <Plate kind="main" word="Choose the file" onPress={() => void choose()} />
          <Problem sentence={step.problem} />
        </>
      ) : null}
      {step.kind === 'reading' ? (
        <View style={styles.part} role="status">
          <Txt>{`It is being read: ${Math.round(step.share * 100)} %.`}</Txt>
          <Plate word="Stop" onPress={() => begin()} />
        </View>
      ) : null}
      {step.kind === 'table' ? (
        <ColumnsPart table={step.table} onRead={readColumns} onLeave={() => begin()} />
      ) : null}
      {step.kind === 'read' ? (
        <Preview read={step.read} onTake={() => takeIn(step.read)} onLeave={() => begin()} />
      ) : null}
      {step.kind === 'taken' ? (
        <View style={styles.part} role="status">
          <Txt as="strong">{`${peopleWord(step.count)} ${step.count === 1 ? 'is' : 'are'} in the directory.`}</Txt>
          <Plate
            word="Undo: take them out again"
            onPress={() => {
              dispatch(takeOutPeople(step.ids));
              begin();
            }}
          />
        </View>
      ) : null}
      <TakeElsewhere />
      <Plate word="Directory" onPress={go.directory} />
    </ScrollView>
  );
}

/** Everybody outside as vCards, for another program. */
function TakeElsewhere() {
  const offices = useAppSelector((state) => state.office.contacts);
  const own = useAppSelector((state) => state.catchUp.kept.contacts);
  const [problem, setProblem] = useState<string | null>(null);
  const count = offices.length + Object.keys(own).length;
  const save = async () => {
    const people = [...offices.map(plain), ...Object.values(own)];
    try {
      saveFile('people.vcf', 'text/vcard', await writePeopleFile(people));
      setProblem(null);
    } catch {
      setProblem('They could not be written: this part of the app has not been fetched.');
    }
  };
  return (
    <View style={styles.part} role="region" aria-label="Take people elsewhere">
      <Txt as="heading" level={2}>
        Take people elsewhere
      </Txt>
      <Plate word={`Save ${peopleWord(count)} as vCards`} onPress={() => void save()} />
      <Problem sentence={problem} />
    </View>
  );
}

const plain = (contact: Contact): OwnContact => ({ ...contact, mails: [], note: '', kept: [] });

const peopleWord = (count: number) => (count === 1 ? '1 person' : `${count} people`);

interface PreviewProps {
  read: ReadPeople;
  onTake: () => void;
  onLeave: () => void;
}

function Preview({ read: { people, problems }, onTake, onLeave }: PreviewProps) {
  const [first] = people;
  return (
    <View style={styles.part} role="region" aria-label="What was read">
      <Txt as="heading" level={2}>
        {`${peopleWord(people.length)} can be taken in`}
      </Txt>
      {first ? (
        <Txt as="small">{`From ${first.name}${people.length > 1 ? ` to ${people.at(-1)?.name}` : ''}.`}</Txt>
      ) : null}
      {problems.length > 0 ? (
        <View role="list" aria-label="What could not be taken">
          <Txt as="strong">
            {problems.length === 1
              ? 'One thing could not be taken:'
              : `${problems.length} things could not be taken:`}
          </Txt>
          {problems.slice(0, mostProblems).map(({ line, sentence }, index) => (
            <View key={index} role="listitem">
              <Txt as="small">{`Line ${line}: ${sentence}`}</Txt>
            </View>
          ))}
          {problems.length > mostProblems ? (
            <Txt as="small">{`And ${problems.length - mostProblems} more of that kind.`}</Txt>
          ) : null}
        </View>
      ) : null}
      {people.length > 0 ? (
        <Plate kind="main" word={`Take in ${peopleWord(people.length)}`} onPress={onTake} />
      ) : null}
      <Plate word="Leave it" onPress={onLeave} />
    </View>
  );
}

const styles = StyleSheet.create({
  screen: { flex: 1 },
  body: { padding: space.l, gap: space.l, maxWidth: 640 },
  part: { gap: space.m },
});
