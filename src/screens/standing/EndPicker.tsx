import { View } from 'react-native';

import { Choice, Field } from '@/ui/field';
import { space } from '@/ui/tokens';

import { ReadMoment } from '../shared/ReadMoment';
import type { useEnd } from './useEnd';

/** Plates for the usual ends, and a field where a time has to be typed. */
export function EndPicker({ label, of }: { label: string; of: ReturnType<typeof useEnd> }) {
  return (
    <View style={{ gap: space.s }}>
      <Choice asStrip label={label} value={of.end} options={of.options} onChoose={of.setEnd} />
      {of.end === 'at' ? (
        <>
          <Field
            label="Time, such as 15:00 or Tue 12:00"
            value={of.text}
            onChange={of.setText}
            error={of.error}
          />
          <ReadMoment text={of.text} />
        </>
      ) : null}
    </View>
  );
}
