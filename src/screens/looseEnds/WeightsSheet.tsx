import { StyleSheet, View } from 'react-native';

import { usualWeights, weightWords, type LooseWeights } from '@/core/inbox/looseEnds';
import { useAppDispatch, useAppSelector, weightsChosen } from '@/state/app';
import { Stepper } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

const mostPoints = 200;

/** The rule of the order, as it is: points for each thing that presses, all of which can be set. */
export function WeightsSheet({ onClose }: { onClose: () => void }) {
  const dispatch = useAppDispatch();
  const chosen = useAppSelector((state) => state.inbox.kept.weights.order);
  const weights = chosen ?? usualWeights;
  const put = (name: keyof LooseWeights, value: number) =>
    dispatch(weightsChosen({ ...weights, [name]: value }));
  return (
    <Sheet title="Why this order" onClose={onClose}>
      <View style={styles.stack}>
        <Txt>
          Points are added up, and whoever has most comes first; with equal points, whoever has waited longer.
          Tries count up to five, hours up to ten, and only hours of your working week. Those a colleague has
          taken on come last.
        </Txt>
        {(Object.keys(weightWords) as (keyof LooseWeights)[]).map((name) => (
          <Stepper
            key={name}
            label={weightWords[name]}
            value={weights[name]}
            unit="points"
            least={0}
            most={mostPoints}
            tooSmall="Points begin at 0."
            onChange={(value) => put(name, value)}
          />
        ))}
        {chosen === undefined ? null : (
          <Plate word="The usual points again" onPress={() => dispatch(weightsChosen(null))} />
        )}
      </View>
    </Sheet>
  );
}

const styles = StyleSheet.create({ stack: { gap: space.m } });
