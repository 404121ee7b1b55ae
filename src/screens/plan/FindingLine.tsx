import { StyleSheet, View } from 'react-native';

import type { Finding } from '@/core/plans/checks';
import type { RingPlan } from '@/core/setup';
import { editPlan, useAppDispatch } from '@/state/app';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    finding: {
      borderLeftWidth: 6,
      paddingLeft: space.m,
      paddingVertical: space.s,
      gap: space.s,
      backgroundColor: colours.sheet,
    },
    act: { alignSelf: 'flex-start' },
  }),
);

const severityWords = { alarm: 'Calls are lost', warning: 'Won’t go as planned', notice: 'Worth knowing' };

interface FindingLineProps {
  finding: Finding;
  /** Left out: my plan is changed. */
  onRepair?: (plan: RingPlan) => void;
}

/** What was found, with its figures, and the one tap that mends it. */
export function FindingLine({ finding, onRepair }: FindingLineProps) {
  const styles = useStyles();
  const { colours } = useTheme();
  const dispatch = useAppDispatch();
  const { severity, sentence, repair } = finding;
  const edge = { alarm: colours.rowan, warning: colours.saffron, notice: colours.slate }[severity];
  return (
    <View role="note" aria-label={severityWords[severity]} style={[styles.finding, { borderColor: edge }]}>
      <Txt as="small" colour={severity === 'alarm' ? colours.rowan : colours.ink}>
        {`${severityWords[severity]}: ${sentence}`}
      </Txt>
      {repair ? (
        <Plate
          word={repair.word}
          style={styles.act}
          onPress={() => (onRepair ? onRepair(repair.plan) : dispatch(editPlan(() => repair.plan)))}
        />
      ) : null}
    </View>
  );
}
