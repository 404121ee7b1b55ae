import { useEffect, useEffectEvent, useRef, useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';

import type { PeopleBlock } from '@/core/people/contacts';
import type { CsvField } from '@/core/people/files';
import {
  selectWrite,
  selectContacts,
  selectOffice,
  useAppDispatch,
  useAppSelector,
  useAppStore,
} from '@/state/app';
import { importStemNow, peopleToWrite, takeInBlocks, takeOutBlocks } from '@/state/people';
import { Problem } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';
import { VirtualList } from '@/ui/virtualList';
import {
  readPeopleFile,
  writePeopleFile,
  type PeopleAnswer,
  type PeopleFormat,
  type ReadingFile,
  type WhatWasRead,
} from '@/workers/peopleFile';

import { pickBlob, saveFile } from '../shared/files';
import { takeCard } from '../share/passedCard';
import { useGo } from '../shared/useGo';
import { ColumnsPart } from './ColumnsPart';
import { ScreenTitle } from '../shared/ScreenTitle';

const mostProblems = 20;
const mostBytes = 60_000_000;
/** So many blocks of a hundred are taken in by one step. */
const blocksAtOnce = 8;

type Step =
  | { kind: 'begin'; problem: string | null }
  | { kind: 'reading'; share: number }
  | { kind: 'table'; table: Extract<PeopleAnswer, { kind: 'table' }> }
  | { kind: 'read'; read: WhatWasRead }
  | { kind: 'taking'; count: number; done: number }
  | { kind: 'taken'; count: number; withoutPhoto: string[] };

/** People out of a file of another program: read beside the page, shown before they are taken in, and taken out again. */
export function ImportScreen() {
  const go = useGo();
  const dispatch = useAppDispatch();
  const store = useAppStore();
  const [step, setStep] = useState<Step>({ kind: 'begin', problem: null });
  const reading = useRef<ReadingFile | null>(null);
  /** Of the blocks taken in, so that they can be taken out again. */
  const blockIds = useRef<string[]>([]);
  /** Of those that came, what is not taken in yet. */
  const gathered = useRef<PeopleBlock[]>([]);
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
    if (file) await open(file);
  };
  const open = async (file: File) => {
    if (file.size > mostBytes) return begin(`${file.name} is larger than 60 MB.`);
    setStep({ kind: 'reading', share: 0 });
    reading.current = readPeopleFile(
      await file.arrayBuffer(),
      selectContacts(store.getState()),
      selectOffice(store.getState()).setup.numbering,
      (answer) => {
        if (answer.kind === 'progress') setStep({ kind: 'reading', share: answer.share });
        else if (answer.kind === 'table') setStep({ kind: 'table', table: answer });
        else if (answer.kind === 'read') setStep({ kind: 'read', read: answer });
        else if (answer.kind === 'taken') takeIn(answer);
      },
      () => begin('The file could not be read: this part of the app has not been fetched.'),
    );
  };
  const openPassedOn = useEffectEvent(() => {
    const file = takeCard();
    if (file) void open(file);
  });
  useEffect(() => openPassedOn(), []);
  const readColumns = (fields: CsvField[]) => {
    setStep({ kind: 'reading', share: 0 });
    reading.current?.readColumns(fields);
  };
  const takeAll = (count: number) => {
    blockIds.current = [];
    gathered.current = [];
    setStep({ kind: 'taking', count, done: 0 });
    reading.current?.take(dispatch(importStemNow()));
  };
  const takeIn = ({ blocks, isLast, withoutPhoto }: Extract<PeopleAnswer, { kind: 'taken' }>) => {
    const waiting = gathered.current;
    waiting.push(...blocks);
    if (waiting.length < blocksAtOnce && !isLast) return;
    gathered.current = [];
    blockIds.current.push(...waiting.map(({ id }) => id));
    const more = waiting.reduce((sum, { cards }) => sum + cards.length, 0);
    const reader = reading.current;
    // A turn of its own, so that what came is drawn and touched between.
    setTimeout(() => {
      // Stopped meanwhile, nothing more is taken in.
      if (reading.current !== reader) return;
      void dispatch(takeInBlocks(waiting)).then(() => {
        if (isLast) stop();
        setStep((now) => {
          if (now.kind !== 'taking') return now;
          return isLast
            ? { kind: 'taken', count: now.count, withoutPhoto }
            : { ...now, done: now.done + more };
        });
      });
    });
  };
  const takeOut = () => {
    dispatch(takeOutBlocks(blockIds.current));
    begin();
  };
  return (
    <ScrollView style={styles.screen} contentContainerStyle={styles.body} tabIndex={0}>
      <View>
        <ScreenTitle>Bring people in</ScreenTitle>
        <Txt as="small">
          vCards (2.1, 3.0, 4.0) or a table (CSV, separated by commas, semicolons or tabs). Nothing is taken
          in before you have seen it.
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
        <Preview read={step.read} onTake={() => takeAll(step.read.count)} onLeave={() => begin()} />
      ) : null}
      {step.kind === 'taking' ? (
        <View style={styles.part} role="status">
          <Txt>{`${step.done} of ${peopleWord(step.count)} added.`}</Txt>
          <Plate word="Stop, and remove them again" onPress={takeOut} />
        </View>
      ) : null}
      {step.kind === 'taken' ? (
        <View style={styles.part} role="status">
          <Txt as="strong">{`${peopleWord(step.count)} ${step.count === 1 ? 'is' : 'are'} in the directory.`}</Txt>
          {step.withoutPhoto.length > 0 ? (
            <Txt as="small">{`Added without their photo, which can’t be read: ${step.withoutPhoto.slice(0, mostProblems).join(', ')}.`}</Txt>
          ) : null}
          <Plate word="Undo: remove them again" onPress={takeOut} />
          <Plate word="See who may be listed twice" onPress={go.alike} />
        </View>
      ) : null}
      <TakeElsewhere />
      <Plate word="Directory" onPress={go.directory} />
    </ScrollView>
  );
}

const formats: readonly { format: PeopleFormat; word: string; file: string; type: string }[] = [
  { format: 'vcard', word: 'vCards', file: 'people.vcf', type: 'text/vcard' },
  { format: 'csv', word: 'a table', file: 'people.csv', type: 'text/csv' },
];

/** Everybody outside as vCards or as a table, for another program. */
function TakeElsewhere() {
  const dispatch = useAppDispatch();
  const count = useAppSelector(selectContacts).length;
  const [problem, setProblem] = useState<string | null>(null);
  const save = async ({ format, file, type }: (typeof formats)[number]) => {
    try {
      saveFile(file, type, await writePeopleFile(format, await dispatch(peopleToWrite())));
      setProblem(null);
    } catch {
      setProblem('They could not be saved: this part of the app has not been fetched.');
    }
  };
  return (
    <View style={styles.part} role="region" aria-label="Take people elsewhere">
      <Txt as="heading" level={2}>
        Take people elsewhere
      </Txt>
      {formats.map((each) => (
        <Plate
          key={each.format}
          word={`Save ${peopleWord(count)} as ${each.word}`}
          onPress={() => void save(each)}
        />
      ))}
      <Problem sentence={problem} />
    </View>
  );
}

const peopleWord = (count: number) => (count === 1 ? '1 person' : `${count} people`);

interface PreviewProps {
  read: WhatWasRead;
  onTake: () => void;
  onLeave: () => void;
}

function Preview({ read, onTake, onLeave }: PreviewProps) {
  const write = useAppSelector(selectWrite);
  const { count, people, known, problems, problemCount } = read;
  const shown = problems.slice(0, mostProblems);
  return (
    <View style={styles.part} role="region" aria-label="What was read">
      <Txt as="heading" level={2}>
        {count > 0 ? `${peopleWord(count)} can be added` : 'Nobody new is in it'}
      </Txt>
      {known > 0 ? (
        <Txt>{`${peopleWord(known)} ${known === 1 ? 'is' : 'are'} here already, with the same details, and left out.`}</Txt>
      ) : null}
      {count > 0 ? (
        <View style={styles.list}>
          <VirtualList
            label="Who can be added"
            items={people.map((each, at) => ({ ...each, at }))}
            keyOf={({ at }) => String(at)}
            heightOf={() => 44}
            isPressable={() => false}
            render={({ name, detail }) => (
              <View style={styles.person}>
                <Txt style={styles.name}>{name}</Txt>
                <Txt as="mono">{detail.startsWith('+') ? write(detail) : detail}</Txt>
              </View>
            )}
          />
        </View>
      ) : null}
      {problemCount > 0 ? (
        <View role="list" aria-label="What could not be read">
          <Txt as="strong">
            {problemCount === 1
              ? 'One entry could not be read:'
              : `${problemCount} entries could not be read:`}
          </Txt>
          {shown.map(({ line, sentence }, index) => (
            <View key={index} role="listitem">
              <Txt as="small">{`Line ${line}: ${sentence}`}</Txt>
            </View>
          ))}
          {problemCount > shown.length ? (
            <Txt as="small">{`And ${problemCount - shown.length} more of that kind.`}</Txt>
          ) : null}
        </View>
      ) : null}
      {count > 0 ? <Plate kind="main" word={`Add ${peopleWord(count)}`} onPress={onTake} /> : null}
      <Plate word={count > 0 ? 'Leave it out' : 'Another file'} onPress={onLeave} />
    </View>
  );
}

const styles = StyleSheet.create({
  screen: { flex: 1 },
  body: { padding: space.l, gap: space.l, maxWidth: 640 },
  part: { gap: space.m },
  list: { height: 264 },
  person: { flexDirection: 'row', flexWrap: 'wrap', columnGap: space.m, padding: space.s, minHeight: 44 },
  name: { flexGrow: 1, flexShrink: 1 },
});
