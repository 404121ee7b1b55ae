import { useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';

import { readWhen } from '@/core/shared/parseTime';
import { formatDayAndClock } from '@/core/shared/time';
import { formatAny, selectZone, useAppSelector, useServices, useNow } from '@/state/app';
import { Choice, Field } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space, target, themed, useTheme } from '@/ui/tokens';

import { callers, myExtension, type useQuestion } from './useQuestion';

type Part = 'caller' | 'line' | 'at' | 'situation';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    line: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'flex-end', columnGap: space.s },
    part: {
      minHeight: target,
      justifyContent: 'flex-end',
      borderBottomWidth: 3,
      borderColor: colours.saffron,
    },
    sheet: { gap: space.m },
  }),
);

interface QuestionLineProps {
  of: ReturnType<typeof useQuestion>;
  /** Where every moment is asked for at once. */
  withoutMoment?: boolean;
}

/** The question, each part of which is changed by a tap. */
export function QuestionLine({ of, withoutMoment = false }: QuestionLineProps) {
  const styles = useStyles();
  const zone = useAppSelector(selectZone);
  const now = useNow(60_000);
  const [open, setOpen] = useState<Part | null>(null);
  const { question, office, myId, situation } = of;
  const situations = office.people.get(myId)?.situations ?? [];
  const lineWord = office.lines.get(question.line)?.name ?? 'my extension';
  const callerWord = callers.find(({ kind }) => kind === question.callerKind)?.word ?? '';
  const situationWord = situations.find(({ id }) => id === situation)?.name ?? 'in no situation';
  const close = () => setOpen(null);
  return (
    <View>
      <View style={styles.line} role="group" aria-label="The question">
        <Txt as="heading">Who rings when</Txt>
        <Part word={callerWord} label={`Caller: ${callerWord}`} onPress={() => setOpen('caller')} />
        <Txt as="heading">calls</Txt>
        <Part word={lineWord} label={`Line: ${lineWord}`} onPress={() => setOpen('line')} />
        {withoutMoment ? null : (
          <Part
            word={question.at === null ? 'now' : formatDayAndClock(question.at, now, zone)}
            label={`Moment: ${question.at === null ? 'now' : formatDayAndClock(question.at, now, zone)}`}
            onPress={() => setOpen('at')}
          />
        )}
        <Txt as="heading">while</Txt>
        <Part
          word={situationWord}
          label={`Situation: ${situationWord}`}
          onPress={() => setOpen('situation')}
        />
      </View>
      {open === null ? null : <PartSheet part={open} of={of} onClose={close} />}
    </View>
  );
}

function Part({ word, label, onPress }: { word: string; label: string; onPress: () => void }) {
  const styles = useStyles();
  const { colours } = useTheme();
  return (
    <Pressable
      role="button"
      aria-label={label}
      onPress={onPress}
      style={({ pressed }) => [styles.part, pressed && { backgroundColor: colours.sheet }]}
    >
      <Txt as="heading" colour={colours.spruce}>
        {word}
      </Txt>
    </Pressable>
  );
}

interface PartSheetProps {
  part: Part;
  of: ReturnType<typeof useQuestion>;
  onClose: () => void;
}

function PartSheet({
  part,
  of: { question, setQuestion, office, myId, situation },
  onClose,
}: PartSheetProps) {
  const put = (change: Partial<typeof question>) => {
    setQuestion({ ...question, ...change });
    onClose();
  };
  switch (part) {
    case 'caller':
      return (
        <Sheet title="Who calls" onClose={onClose}>
          <Choice
            label="Caller"
            value={question.callerKind}
            options={callers.map(({ kind, word }) => ({ value: kind, word }))}
            onChoose={(callerKind) => put({ callerKind })}
          />
        </Sheet>
      );
    case 'line':
      return (
        <Sheet title="Which line" onClose={onClose}>
          <Choice
            label="Line"
            value={question.line}
            options={[
              ...office.setup.lines
                .filter(({ ownerId }) => ownerId === myId)
                .map(({ id, name, number }) => ({ value: id, word: name, detail: formatAny(number) })),
              { value: myExtension, word: 'my extension' },
            ]}
            onChoose={(line) => put({ line })}
          />
        </Sheet>
      );
    case 'situation':
      return (
        <Sheet title="While I am" onClose={onClose}>
          <Choice
            label="Situation"
            value={situation ?? 'none'}
            options={[
              ...(office.people.get(myId)?.situations ?? []).map(({ id, name }) => ({
                value: id,
                word: name,
              })),
              { value: 'none', word: 'In no situation' },
            ]}
            onChoose={(chosen) => put({ situation: chosen })}
          />
        </Sheet>
      );
    case 'at':
      return <MomentSheet onClose={onClose} onChoose={(at) => put({ at })} />;
  }
}

function MomentSheet({ onClose, onChoose }: { onClose: () => void; onChoose: (at: number | null) => void }) {
  const styles = useStyles();
  const zone = useAppSelector(selectZone);
  const { clock } = useServices();
  const [text, setText] = useState('');
  const [error, setError] = useState<string | null>(null);
  const ask = () => {
    const found = readWhen(text, clock.now(), zone);
    if (found.ok) onChoose(found.at);
    else setError(found.sentence);
  };
  return (
    <Sheet title="At which moment" onClose={onClose}>
      <View style={styles.sheet}>
        <Plate word="Now" kind="main" onPress={() => onChoose(null)} />
        <Field
          label="Another moment, such as Sat 9:00"
          value={text}
          onChange={setText}
          onSubmit={ask}
          error={error}
        />
        <Plate word="Ask for then" onPress={ask} />
      </View>
    </Sheet>
  );
}
