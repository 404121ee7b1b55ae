import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';

import { Plate } from '../plate';
import { Txt } from '../text';
import { space, useTheme } from '../tokens';
import { Field } from './Field';

interface StepperProps {
  /** What is counted: "Van phone rings for". */
  label: string;
  /** "s", "rings". */
  unit: string;
  value: number;
  least: number;
  most: number;
  onChange: (value: number) => void;
  /** What is said of a number below the least. */
  tooSmall: string;
}

/** A whole number, by steps of one or typed; one out of its bounds is said to be so, and what was before stays. */
export function Stepper({ label, unit, value, least, most, onChange, tooSmall }: StepperProps) {
  const { colours } = useTheme();
  const [text, setText] = useState(String(value));
  const [error, setError] = useState<string | null>(null);
  useEffect(() => {
    setText(String(value));
    setError(null);
  }, [value]);
  const take = (typed: string) => {
    setText(typed);
    const number = Number(typed);
    if (typed.trim() === '' || !Number.isInteger(number)) setError('Write a whole number.');
    else if (number < least) setError(tooSmall);
    else if (number > most) setError(`At most ${most} ${unit}.`);
    else {
      setError(null);
      if (number !== value) onChange(number);
    }
  };
  const step = (by: number) => take(String(Math.min(Math.max(value + by, least), most)));
  return (
    <View role="group" aria-label={label}>
      <Txt as="small">{label}</Txt>
      <View style={styles.row} {...{ dataSet: { again: '' } }}>
        <Plate word="−" label={`${label}: one fewer`} onPress={() => step(-1)} />
        <View style={styles.field}>
          <Field
            label={`${label}, ${unit}`}
            hideLabel
            numeric
            value={text}
            onChange={take}
            keyboard="numeric"
          />
        </View>
        <Plate word="+" label={`${label}: one more`} onPress={() => step(1)} />
        <Txt as="mono">{unit}</Txt>
      </View>
      {error ? (
        <View role="alert">
          <Txt as="small" colour={colours.rowan}>
            {error}
          </Txt>
        </View>
      ) : null}
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', alignItems: 'center', gap: space.s },
  field: { width: 76 },
});
