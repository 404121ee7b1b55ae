import { useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';

import { mostPages, pagesWord } from '@/core/inbox/fax';
import {
  selectWrite,
  identifyNumber,
  selectOffice,
  selectPeople,
  useAppDispatch,
  useAppSelector,
} from '@/state/app';
import { Field } from '@/ui/field';
import { Problem } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';

import { pickBlob } from '../shared/files';
import { outsideNumber } from '../shared/numbers';
import { whetherHere } from '../shared/afterPaint';
import { useGo } from '../shared/useGo';
import { WhoField } from '../shared/WhoField';
import { chosenPages, readFaxFile, sendFaxFiles, type FaxFile } from './faxFiles';
import { ScreenTitle } from '../shared/ScreenTitle';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    screen: { flex: 1 },
    body: { padding: space.l, gap: space.l, maxWidth: 640 },
    part: { gap: space.s },
    file: {
      flexDirection: 'row',
      alignItems: 'center',
      gap: space.s,
      paddingVertical: space.s,
      borderBottomWidth: 1,
      borderColor: colours.rule,
    },
    words: { flex: 1, minWidth: 0 },
  }),
);

/** A fax to be sent: to which number, and its pages from PDFs and pictures, in their order. */
export function NewFaxScreen() {
  const write = useAppSelector(selectWrite);
  const styles = useStyles();
  const go = useGo();
  const dispatch = useAppDispatch();
  const { to: asked } = useLocalSearchParams<{ to?: string }>();
  const office = useAppSelector(selectOffice);
  const people = useAppSelector(selectPeople);
  const [to, setTo] = useState(asked ?? '');
  const [toError, setToError] = useState<string | null>(null);
  const [files, setFiles] = useState<FaxFile[]>([]);
  const [fileError, setFileError] = useState<string | null>(null);
  const [isBusy, setBusy] = useState(false);
  const line = office.setup.lines.find(({ faxes }) => faxes);
  const read = outsideNumber(to, office.plan);
  const name = read.ok ? identifyNumber(read.number, null, people).name : null;
  const chosen = files.map(chosenPages);
  const pages = chosen.reduce((sum, each) => sum + each.pages.length, 0);
  const tooMany =
    pages > mostPages
      ? `That is ${pagesWord(pages)}, and one fax takes at most ${mostPages}. Say which pages go, or take a file out.`
      : null;

  const add = async () => {
    const file = await pickBlob('application/pdf,image/*');
    if (!file) return;
    setBusy(true);
    const read = await readFaxFile(file);
    setBusy(false);
    setFileError(read.ok ? null : read.sentence);
    if (read.ok) setFiles((others) => [...others, read.file]);
  };
  const send = async () => {
    if (!read.ok)
      setToError(to.trim() === '' ? 'Say who it goes to: a fax number, or a name.' : read.sentence);
    if (files.length === 0) setFileError('Add a PDF or a picture first.');
    const isWrong = tooMany !== null || chosen.some(({ problem }) => problem !== null);
    if (!read.ok || !line || files.length === 0 || isWrong) return;
    setBusy(true);
    const isHere = whetherHere();
    const sent = await dispatch(sendFaxFiles(read.number, line, files));
    setBusy(false);
    if (!sent.ok) setFileError(sent.sentence);
    else if (isHere()) go.fax(sent.id);
  };
  return (
    <ScrollView style={styles.screen} contentContainerStyle={styles.body} tabIndex={0}>
      <View>
        <ScreenTitle>Send a fax</ScreenTitle>
        <Txt as="small">{`From ${line?.name ?? 'no line that can'}, with that number at the top of each page.`}</Txt>
      </View>
      <View style={styles.part}>
        <WhoField
          label="To: fax number or name"
          value={to}
          onChange={(typed) => {
            setTo(typed);
            setToError(null);
          }}
          error={toError}
          isSettled={read.ok}
          canBe={(_, number) => outsideNumber(number, office.plan).ok}
          onPick={({ number }) => {
            setTo(write(number));
            setToError(null);
          }}
        />
        {name === null || name === to ? null : <Txt as="small">{name}</Txt>}
      </View>
      <View style={styles.part}>
        <Txt as="heading" level={2}>
          Pages
        </Txt>
        {files.length === 0 ? <Txt as="small">None yet. They go out in the order you add them.</Txt> : null}
        <View role="list" aria-label="Pages">
          {files.map((file, index) => (
            <View key={`${file.name} ${index}`} role="listitem" style={styles.file}>
              <View style={styles.words}>
                <Txt as="strong" lines={1}>
                  {file.name}
                </Txt>
                <Txt as="small">{pagesWord(file.pages)}</Txt>
                {file.pages > 1 ? (
                  <Field
                    label="Which pages"
                    value={file.choice}
                    placeholder="all"
                    error={chosen[index]?.problem ?? null}
                    onChange={(choice) =>
                      setFiles(files.map((each) => (each === file ? { ...file, choice } : each)))
                    }
                  />
                ) : null}
              </View>
              <Plate
                word="Remove"
                label={`Remove: ${file.name}`}
                onPress={() => setFiles(files.filter((each) => each !== file))}
              />
            </View>
          ))}
        </View>
        <Plate word="Add a PDF or picture" disabled={isBusy} onPress={() => void add()} />
        <Problem sentence={fileError ?? tooMany} isSmall />
      </View>
      <Plate
        kind="main"
        large
        word={pages === 0 ? 'Send' : `Send ${pagesWord(pages)}${name === null ? '' : ` to ${name}`}`}
        disabled={isBusy || !line}
        onPress={() => void send()}
      />
      <Plate word="Faxes" onPress={go.faxes} />
    </ScrollView>
  );
}
