import { useEffect, useRef, useState, type ReactNode } from 'react';
import type { FieldValues } from 'react-hook-form';
import { ScrollView, StyleSheet, View } from 'react-native';

import { Problem } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';

import { RetireSheet, type RetireSheetProps } from './RetireSheet';
import type { OfficeForm } from './useOfficeForm';
import { ScreenTitle } from '../../shared/ScreenTitle';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    screen: { flex: 1, backgroundColor: colours.paper },
    body: { padding: space.l, gap: space.l, maxWidth: 640 },
    wrong: { gap: space.s },
    foot: {
      padding: space.m,
      gap: space.s,
      flexDirection: 'row',
      flexWrap: 'wrap',
      backgroundColor: colours.sheet,
      borderTopWidth: 1,
      borderColor: colours.ink,
    },
    grow: { flex: 1 },
  }),
);

interface FormScreenProps<Form extends FieldValues> {
  title: string;
  about?: string;
  of: OfficeForm<Form>;
  children: ReactNode;
  /** Leaves it: nothing is changed, or there is nothing to change any more. */
  onCancel: () => void;
  /** Whom or what Retire retires; left out of what is new, and of what can't be retired. */
  retires?: Pick<RetireSheetProps, 'table' | 'id' | 'name'> | null;
}

/** A form that changes the office: what is wrong stands above what keeps it, with what mends it in one tap. */
export function FormScreen<Form extends FieldValues>({
  title,
  about,
  of: { problems, clash, isSaidAtEnd, isBusy, keep, repair },
  children,
  onCancel,
  retires = null,
}: FormScreenProps<Form>) {
  const styles = useStyles();
  const scroll = useRef<ScrollView>(null);
  // It stands at the end, which may be far from where somebody was.
  useEffect(() => {
    if (isSaidAtEnd) scroll.current?.scrollToEnd({ animated: false });
  }, [isSaidAtEnd, problems]);
  const [isRetiring, setRetiring] = useState(false);
  return (
    <View style={styles.screen}>
      <ScrollView ref={scroll} contentContainerStyle={styles.body} tabIndex={0}>
        <View>
          <ScreenTitle>{title}</ScreenTitle>
          {about === undefined ? null : <Txt as="small">{about}</Txt>}
        </View>
        {children}
        {problems.map((problem) => (
          <View
            key={`${problem.table} ${problem.id} ${problem.field} ${problem.sentence}`}
            style={styles.wrong}
          >
            <Problem sentence={problem.sentence} />
            {problem.repair ? <Plate word={problem.repair.word} onPress={() => repair(problem)} /> : null}
          </View>
        ))}
        {clash === null ? null : (
          <Problem sentence="Somebody else has changed the same while this was open. Cancel, and open it again to see what they made of it; what you filled in stays here until then." />
        )}
      </ScrollView>
      <View style={styles.foot}>
        <Plate word="Cancel" onPress={onCancel} />
        {retires ? <Plate word="Retire" onPress={() => setRetiring(true)} /> : null}
        <Plate
          kind="main"
          word={isBusy ? 'Keeping …' : 'Keep'}
          style={styles.grow}
          disabled={isBusy}
          onPress={keep}
        />
      </View>
      {isRetiring && retires ? (
        <RetireSheet {...retires} onClose={() => setRetiring(false)} onRetired={onCancel} />
      ) : null}
    </View>
  );
}
