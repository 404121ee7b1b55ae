import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import { secondsOf, type OfficeIndex, type RingRule, type RingTarget } from '@/core/setup';
import { edits } from '@/core/plans/editing';
import { editPlan, useAppDispatch } from '@/state/app';
import { Stepper } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

import { AddTargetSheet } from './AddTargetSheet';

const mostSeconds = 600;

interface AddProps {
  rule: RingRule;
  /** The stage that something is added to, or before which a new one comes. */
  stage: number;
  office: OfficeIndex;
  personId: string;
}

/** What a stage is called, how long it lasts, and how it is removed. */
export function StageHead({ rule, stage, office, personId }: AddProps) {
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
          <AddStage
            word="Ring something before it"
            label={`Ring something before stage ${stage + 1}`}
            {...{ rule, stage, office, personId }}
          />
          <Plate
            word="Remove this stage"
            label={`Remove this stage: ${stage + 1}`}
            onPress={() => dispatch(editPlan((plan) => edits.removeStage(plan, rule.id, stage)))}
          />
        </View>
      ) : null}
    </View>
  );
}

/** Below a stage: something else rings in it too, or after it. */
export function StageFoot({ rule, stage, office, personId }: AddProps) {
  const dispatch = useAppDispatch();
  return (
    <View style={styles.adds}>
      <Add
        word="Ring something else too"
        label={`Ring something else too in stage ${stage + 1}`}
        office={office}
        personId={personId}
        onChoose={(target) => dispatch(editPlan((plan) => edits.addTarget(plan, rule.id, stage, target)))}
      />
      <AddStage
        word="Then ring something else"
        label={`Then ring something else, after stage ${stage + 1}`}
        {...{ rule, office, personId }}
        stage={stage + 1}
      />
    </View>
  );
}

/** Lets something ring in a stage of its own. */
export function AddStage({ rule, stage, office, personId, word, label }: AddProps & Words) {
  const dispatch = useAppDispatch();
  return (
    <Add
      {...{ word, label, office, personId }}
      onChoose={(target) => dispatch(editPlan((plan) => edits.addStage(plan, rule.id, stage, [target])))}
    />
  );
}

interface Words {
  word: string;
  label?: string;
}

/** A plate, and the list of what could ring. */
function Add({
  word,
  label,
  office,
  personId,
  onChoose,
}: Words & Pick<AddProps, 'office' | 'personId'> & { onChoose: (target: RingTarget) => void }) {
  const [isOpen, setOpen] = useState(false);
  return (
    <>
      <Plate {...{ word, label }} style={styles.add} onPress={() => setOpen(true)} />
      {isOpen ? (
        <AddTargetSheet title={word} {...{ office, personId, onChoose }} onClose={() => setOpen(false)} />
      ) : null}
    </>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', alignItems: 'center', gap: space.s },
  words: { flex: 1 },
  open: { gap: space.s, paddingBottom: space.s },
  adds: { flexDirection: 'row', flexWrap: 'wrap', columnGap: space.s },
  add: { alignSelf: 'flex-start', marginTop: space.xs },
});
