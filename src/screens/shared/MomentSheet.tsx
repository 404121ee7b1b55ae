import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import { readWhen } from '@/core/shared/parseTime';
import { selectZone, useAppSelector, useServices } from '@/state/app';
import { Field } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { space } from '@/ui/tokens';

interface MomentSheetProps {
  onClose: () => void;
  /** An instant; null for now. */
  onChoose: (at: number | null) => void;
}

/** The moment a call is asked for. */
export function MomentSheet({ onClose, onChoose }: MomentSheetProps) {
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

const styles = StyleSheet.create({ sheet: { gap: space.m } });
