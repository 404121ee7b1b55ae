import { StyleSheet, View } from 'react-native';

import { cadenceSeconds, type OfficeIndex, type RingLength, type RingRule } from '@/core/setup';
import { edits, spanOf, targetWords, type TargetPlace } from '@/core/plans/editing';
import { editPlan, selectMyId, useAppDispatch, useAppSelector } from '@/state/app';
import { Choice, Stepper } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';

type Unit = 'seconds' | 'uk' | 'us';

const units = [
  { value: 'seconds', word: 'seconds' },
  { value: 'uk', word: 'UK rings, 3 s each' },
  { value: 'us', word: 'US rings, 6 s each' },
] as const satisfies readonly { value: Unit; word: string }[];

const mostSeconds = 600;

interface TargetPanelProps {
  place: TargetPlace;
  rule: RingRule;
  office: OfficeIndex;
  onGone: () => void;
}

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    panel: {
      gap: space.m,
      padding: space.m,
      backgroundColor: colours.sheet,
      borderWidth: 1,
      borderColor: colours.rule,
    },
    acts: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  }),
);

/** One thing that rings, set exactly: from which second, for how long, with a key or a name. */
export function TargetPanel({ place, rule, office, onGone }: TargetPanelProps) {
  const styles = useStyles();
  const dispatch = useAppDispatch();
  const myId = useAppSelector(selectMyId);
  const stage = rule.stages[place.stage];
  const target = stage?.targets[place.target];
  if (!stage || !target) return null;
  const name = targetWords(target, office, myId);
  const { fromSeconds, toSeconds } = spanOf(target, stage);
  const length = Math.max(1, toSeconds - fromSeconds);
  const unit: Unit = target.length && 'rings' in target.length ? target.length.cadence : 'seconds';
  const count = target.length && 'rings' in target.length ? target.length.rings : length;
  const setLength = (next: RingLength) => dispatch(editPlan((plan) => edits.setLength(plan, place, next)));
  const inUnit = (value: number, of: Unit): RingLength =>
    of === 'seconds' ? { seconds: value } : { rings: value, cadence: of };
  return (
    <View style={styles.panel} role="group" aria-label={`Set ${name}`}>
      <Stepper
        label="Begins at second"
        unit="s"
        value={fromSeconds}
        least={0}
        most={mostSeconds}
        tooSmall="It can’t begin before the stage does."
        onChange={(value) => dispatch(editPlan((plan) => edits.pull(plan, place, value, value + length)))}
      />
      <Stepper
        label="Rings for"
        unit={unit === 'seconds' ? 's' : 'rings'}
        value={count}
        least={1}
        most={mostSeconds}
        tooSmall="It has to ring for at least one second, or one ring."
        onChange={(value) => setLength(inUnit(value, unit))}
      />
      <Choice
        asStrip
        label="Counted in"
        value={unit}
        options={units}
        onChoose={(next) =>
          setLength(
            inUnit(
              next === 'seconds' ? length : Math.max(1, Math.round(length / cadenceSeconds[next])),
              next,
            ),
          )
        }
      />
      <View style={styles.acts}>
        <Plate
          word="A key takes the call"
          pressed={(target.acceptKey ?? false) || (target.saysName ?? false)}
          onPress={() =>
            dispatch(editPlan((plan) => edits.setAcceptKey(plan, place, !(target.acceptKey ?? false))))
          }
        />
        <Plate
          word="The caller’s name is heard first"
          pressed={target.saysName ?? false}
          onPress={() =>
            dispatch(editPlan((plan) => edits.setSaysName(plan, place, !(target.saysName ?? false))))
          }
        />
        <Plate
          word="Remove it"
          label={`Remove it: ${name}`}
          onPress={() => {
            dispatch(editPlan((plan) => edits.removeTarget(plan, place)));
            onGone();
          }}
        />
      </View>
      <Txt as="small">
        A key takes the call: whoever picks up hears who is calling and presses 1, so that the phone’s own
        mailbox never takes a caller.
      </Txt>
    </View>
  );
}
