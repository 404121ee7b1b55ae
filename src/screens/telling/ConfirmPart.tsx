import { useCallback, useEffect, useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';

import type { Place } from '@/core/inbox/notifications';
import { useAppDispatch } from '@/state/app';
import { confirmPlace, sendCode } from '@/state/telling';
import { Field } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

interface ConfirmPartProps {
  place: Place;
  /** It has just been added here: a code goes there at once. */
  isNew: boolean;
  onConfirmed: () => void;
}

/** A place that is told nothing yet: the code that is sent there is typed here. */
export function ConfirmPart({ place, isNew, onConfirmed }: ConfirmPartProps) {
  const dispatch = useAppDispatch();
  const [code, setCode] = useState('');
  const [error, setError] = useState<string | null>(null);
  const [isSent, setIsSent] = useState(false);
  const send = useCallback(async () => {
    setError(null);
    const why = await dispatch(sendCode(place));
    setError(why);
    if (why === null) setIsSent(true);
  }, [dispatch, place]);
  const hasBegun = useRef(false);
  useEffect(() => {
    if (!isNew || hasBegun.current) return;
    hasBegun.current = true;
    void send();
  }, [isNew, send]);
  const confirm = async () => {
    if (!/^\d{6}$/.test(code.trim())) return setError('The code has six digits.');
    const why = await dispatch(confirmPlace(place, code.trim()));
    setError(why);
    if (why === null) onConfirmed();
  };
  return (
    <View style={styles.part}>
      <View role="status">
        <Txt as="small">
          {isSent
            ? 'A code is on its way there. Nothing is told before it is typed here.'
            : 'Nothing is told there yet: a code that is sent there shows that it is yours.'}
        </Txt>
      </View>
      <Field
        label="Code that was sent there"
        value={code}
        onChange={(value) => {
          setCode(value);
          setError(null);
        }}
        onSubmit={() => void confirm()}
        keyboard="number-pad"
        error={error}
      />
      <View style={styles.acts}>
        <Plate kind="main" word="Confirm" onPress={() => void confirm()} />
        <Plate word={isSent ? 'Send another code' : 'Send a code there'} onPress={() => void send()} />
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  part: { gap: space.s },
  acts: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
