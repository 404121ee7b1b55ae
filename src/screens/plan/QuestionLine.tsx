import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import { formatDayAndClock } from '@/core/shared/time';
import { selectWrite, selectZone, useAppSelector, useNow } from '@/state/app';
import { Choice } from '@/ui/field';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

import { AskedPart } from '../shared/AskedPart';
import { MomentSheet } from '../shared/MomentSheet';
import { callers } from '../shared/askedCallers';
import { myExtension, type useQuestion } from './useQuestion';

type Part = 'caller' | 'line' | 'at' | 'situation';

const styles = StyleSheet.create({
  line: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'flex-end', columnGap: space.s },
});

interface QuestionLineProps {
  of: ReturnType<typeof useQuestion>;
  /** Where every moment is asked for at once. */
  withoutMoment?: boolean;
}

/** The question, each part of which is changed by a tap. */
export function QuestionLine({ of, withoutMoment = false }: QuestionLineProps) {
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
        <AskedPart word={callerWord} label={`Caller: ${callerWord}`} onPress={() => setOpen('caller')} />
        <Txt as="heading">calls</Txt>
        <AskedPart word={lineWord} label={`Line: ${lineWord}`} onPress={() => setOpen('line')} />
        {withoutMoment ? null : (
          <AskedPart
            word={question.at === null ? 'now' : formatDayAndClock(question.at, now, zone)}
            label={`Moment: ${question.at === null ? 'now' : formatDayAndClock(question.at, now, zone)}`}
            onPress={() => setOpen('at')}
          />
        )}
        <Txt as="heading">while</Txt>
        <AskedPart
          word={situationWord}
          label={`Situation: ${situationWord}`}
          onPress={() => setOpen('situation')}
        />
      </View>
      {open === null ? null : <PartSheet part={open} of={of} onClose={close} />}
    </View>
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
  const write = useAppSelector(selectWrite);
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
                .map(({ id, name, number }) => ({ value: id, word: name, detail: write(number) })),
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
