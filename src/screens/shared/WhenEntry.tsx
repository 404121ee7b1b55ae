import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import { readWhen } from '@/core/shared/parseTime';
import { selectZone, useAppSelector, useServices } from '@/state/app';
import { Field } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { space } from '@/ui/tokens';

import { ReadMoment } from './ReadMoment';

interface WhenEntryProps {
  label: string;
  /** What the plate under the field says. */
  word: string;
  onTake: (at: number) => void;
}

/** A time to come, as it is typed; what is wrong with it is said at the field. */
export function WhenEntry({ label, word, onTake }: WhenEntryProps) {
  const { clock } = useServices();
  const zone = useAppSelector(selectZone);
  const [text, setText] = useState('');
  const [error, setError] = useState<string | null>(null);
  const take = () => {
    const now = clock.now();
    const found = readWhen(text, now, zone);
    if (!found.ok) setError(found.sentence);
    else if (found.at <= now) setError('That is in the past.');
    else onTake(found.at);
  };
  return (
    <View style={styles.stack}>
      <Field
        label={label}
        value={text}
        onChange={(typed) => {
          setText(typed);
          setError(null);
        }}
        onSubmit={take}
        error={error}
      />
      <ReadMoment text={text} />
      <Plate word={word} onPress={take} />
    </View>
  );
}

const styles = StyleSheet.create({ stack: { gap: space.s } });
