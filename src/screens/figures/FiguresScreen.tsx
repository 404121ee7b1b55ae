import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import {
  figuresCsv,
  groupings,
  type FigureRow,
  type FiguresFound,
  type Grouping,
  type Span,
} from '@/core/calls/figures';
import { selectOffice, useAppSelector } from '@/state/app';
import { selectMay } from '@/state/configuration';
import { Choice, Stepper } from '@/ui/field';
import { EmptyState } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

import { Gone } from '../office/form/Gone';
import { ListScreen } from '../shared/ListScreen';
import { SavePicture } from '../shared/picture/SavePicture';
import { useGo } from '../shared/useGo';
import { CallsBehind } from './CallsBehind';
import { FigureBar } from './FigureBar';
import { figuresDrawing } from './figuresDrawing';
import { groupingWords, rowWord, spanWords, wholeFigures } from './figureWords';
import { SpanChoice } from './SpanChoice';
import { useFigures } from './useFigures';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    body: { padding: space.l, gap: space.l, maxWidth: 760 },
    table: { borderTopWidth: 1, borderColor: colours.ink },
    figure: {
      flexDirection: 'row',
      flexWrap: 'wrap',
      alignItems: 'baseline',
      columnGap: space.m,
      paddingVertical: space.xs,
      borderBottomWidth: 1,
      borderColor: colours.rule,
    },
    word: { flexGrow: 1, flexShrink: 1, flexBasis: 160 },
    choices: { gap: space.m },
  }),
);

const dayMs = 24 * 3_600_000;

/** How the office's calls went: what was taken, given up, and waited for; by whatever tells them apart, with the calls behind each figure. */
export function FiguresScreen() {
  const may = useAppSelector((state) => selectMay(state, 'seeFigures'));
  return may ? (
    <Figures />
  ) : (
    <Gone what="Only whoever runs the office sees its figures, and whom they let." />
  );
}

function Figures() {
  const styles = useStyles();
  const go = useGo();
  const office = useAppSelector(selectOffice);
  const [span, setSpan] = useState<Span>('month');
  const [by, setBy] = useState<Grouping>('hour');
  const [withinSeconds, setWithin] = useState(20);
  const [isSaving, setSaving] = useState(false);
  const [opened, setOpened] = useState<string | null>(null);
  const { asked, found, isFailed, behind } = useFigures({ span, by, withinSeconds });
  const wordOf = (key: string) => rowWord(by, key, office);
  const title = `Calls by ${groupingWords[by].toLowerCase()}`;
  return (
    <ListScreen
      title="Figures"
      about="Calls from outside, whoever of the office they reached."
      foot={
        <>
          <Plate word="Office" onPress={go.office} />
          <Plate word="Save" disabled={!found || found.rows.length === 0} onPress={() => setSaving(true)} />
        </>
      }
      head={
        <View style={styles.choices}>
          <SpanChoice value={span} onChoose={setSpan} />
          <Choice
            asStrip
            label="By what"
            value={by}
            options={groupings.map((value) => ({ value, word: groupingWords[value] }))}
            onChoose={setBy}
          />
        </View>
      }
    >
      {isFailed ? (
        <EmptyState
          title="The figures can’t be reckoned now"
          sentence="The part of the app that does it can’t be had. It is tried again when you choose another span."
        />
      ) : found === null ? (
        <EmptyState title="Reckoning" sentence="The calls of that time are being read." />
      ) : found.all.calls === 0 ? (
        <EmptyState title="No calls" sentence="Nobody called from outside in that time." />
      ) : (
        <View style={styles.body}>
          <Rows rows={found.rows} wordOf={wordOf} by={by} onOpen={setOpened} />
          <Whole found={found} span={span} withinSeconds={withinSeconds} />
          <Stepper
            {...{ label: 'In time means within', unit: 's', least: 1, most: 600, onChange: setWithin }}
            value={withinSeconds}
            tooSmall="It has to be 1 s at least."
          />
        </View>
      )}
      {opened === null ? null : (
        <CallsBehind
          key={`${opened} ${asked.from}`}
          title={wordOf(opened)}
          read={() => behind(opened)}
          hours={by === 'hour' ? (asked.until - asked.from) / dayMs : null}
          withinSeconds={withinSeconds}
          onClose={() => setOpened(null)}
        />
      )}
      {isSaving && found ? (
        <SavePicture
          title="Save these figures"
          name={`figures-by-${by}`}
          draw={() =>
            figuresDrawing(found.rows, {
              title,
              about: `${office.setup.name}, ${spanWords[span].word.toLowerCase()}`,
              wordOf,
            })
          }
          csv={() => figuresCsv(found.rows, by, withinSeconds, wordOf)}
          onClose={() => setSaving(false)}
        />
      ) : null}
    </ListScreen>
  );
}

interface RowsProps {
  rows: readonly FigureRow[];
  by: Grouping;
  wordOf: (key: string) => string;
  onOpen: (key: string) => void;
}

/** One bar for each, to one scale. */
function Rows({ rows, by, wordOf, onOpen }: RowsProps) {
  const styles = useStyles();
  const most = Math.max(...rows.map(({ calls }) => calls));
  return (
    <View>
      <Txt as="heading" level={2}>{`By ${groupingWords[by].toLowerCase()}`}</Txt>
      <Txt as="small">Taken, gave up, went on; a tap shows the calls.</Txt>
      <View role="list" aria-label={`Calls by ${groupingWords[by].toLowerCase()}`} style={styles.table}>
        {rows.map((row) => (
          <FigureBar
            key={row.key}
            row={row}
            word={wordOf(row.key)}
            most={most}
            onPress={() => onOpen(row.key)}
          />
        ))}
      </View>
    </View>
  );
}

/** All of the span, with what it was before. */
function Whole({ found, span, withinSeconds }: { found: FiguresFound; span: Span; withinSeconds: number }) {
  const styles = useStyles();
  const { colours } = useTheme();
  return (
    <View>
      <Txt as="heading" level={2}>
        {`All of ${span === 'today' ? 'today' : spanWords[span].word.toLowerCase()}`}
      </Txt>
      <Txt as="small">{`Behind each what it was in ${spanWords[span].before}.`}</Txt>
      <View role="list" aria-label="All together" style={styles.table}>
        {wholeFigures(found.all, found.before, withinSeconds).map(({ word, now, before }) => (
          <View key={word} role="listitem" style={styles.figure}>
            <Txt style={styles.word}>{word}</Txt>
            <Txt as="mono">{now}</Txt>
            <Txt as="mono" colour={colours.faint}>
              {before}
            </Txt>
          </View>
        ))}
      </View>
    </View>
  );
}
