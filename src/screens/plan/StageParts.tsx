import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import { secondsOf, type OfficeIndex, type RingRule } from '@/core/office';
import { edits } from '@/core/plans';
import { editPlan, useAppDispatch } from '@/state/app';
import { Stepper } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

import { AddTargetSheet } from './AddTargetSheet';

const mostSeconds = 600;

/** What a stage is called, how long it lasts, and how it is taken out. */
export function StageHead({ rule, stage }: { rule: RingRule; stage: number }) {
  const dispatch = useAppDispatch();
  const [isOpen, setOpen] = useState(false);
  const length = rule.stages[stage]?.length;
  if (!length) return null;
  const seconds = secondsOf(length);
  const name = stage === 0 ? 'First' : 'Then';
  return (
    <View>
      <View style={styles.row}>
        <Txt as="small" style={styles.words}>
          {`${name}, for at most ${seconds} s`}
        </Txt>
        <Plate
          word={isOpen ? 'Close' : 'Change'}
          label={`Change stage ${stage + 1}`}
          onPress={() => setOpen(!isOpen)}
        />
      </View>
      {isOpen ? (
        <View style={styles.open}>
          <Stepper
            label={`Stage ${stage + 1} lasts at most`}
            unit="s"
            value={seconds}
            least={1}
            most={mostSeconds}
            tooSmall="It has to last at least one second."
            onChange={(value) =>
              dispatch(editPlan((plan) => edits.setStageLength(plan, rule.id, stage, { seconds: value })))
            }
          />
          <Plate
            word="Take this stage out"
            label={`Take this stage out: ${stage + 1}`}
            onPress={() => dispatch(editPlan((plan) => edits.removeStage(plan, rule.id, stage)))}
          />
        </View>
      ) : null}
    </View>
  );
}

interface StageFootProps {
  rule: RingRule;
  stage: number;
  office: OfficeIndex;
  personId: string;
}

/** Lets something else ring in the stage. */
export function StageFoot({ rule, stage, office, personId }: StageFootProps) {
  const dispatch = useAppDispatch();
  const [isOpen, setOpen] = useState(false);
  return (
    <>
      <Plate
        word="Ring something else too"
        label={`Ring something else too in stage ${stage + 1}`}
        style={styles.add}
        onPress={() => setOpen(true)}
      />
      {isOpen ? (
        <AddTargetSheet
          office={office}
          personId={personId}
          onClose={() => setOpen(false)}
          onChoose={(target) => dispatch(editPlan((plan) => edits.addTarget(plan, rule.id, stage, target)))}
        />
      ) : null}
    </>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', alignItems: 'center', gap: space.s },
  words: { flex: 1 },
  open: { gap: space.s, paddingBottom: space.s },
  add: { alignSelf: 'flex-start', marginTop: space.xs },
});
