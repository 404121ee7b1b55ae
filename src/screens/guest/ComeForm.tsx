import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import type { GuestCall } from '@/state/guest';
import { Field } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

interface ComeFormProps {
  call: GuestCall;
  /** It is for the screen beside their phone, which is known already. */
  isBeside: boolean;
  isAsking: boolean;
  /** They were there, or were not let in. */
  isAgain: boolean;
}

const longestName = 60;

/** Somebody says who they are, and asks to come. */
export function ComeForm({ call, isBeside, isAsking, isAgain }: ComeFormProps) {
  const [name, setName] = useState('');
  const [isMissing, setMissing] = useState(false);
  const ask = () => {
    const given = isBeside ? 'By phone' : name.trim();
    setMissing(given === '');
    if (given !== '') void call.ask(given.slice(0, longestName));
  };
  return (
    <View style={styles.stack}>
      {isBeside ? null : (
        <Field
          label="Your name"
          value={name}
          onChange={setName}
          onSubmit={ask}
          error={isMissing ? 'Type your name.' : null}
        />
      )}
      <Plate
        kind="main"
        large
        word={isAsking ? 'Asking …' : isBeside ? 'See it' : isAgain ? 'Ask once more' : 'Ask to come in'}
        disabled={isAsking}
        onPress={ask}
      />
      {isBeside ? null : (
        <Txt as="small">Your browser asks for the microphone first. Your camera stays closed.</Txt>
      )}
    </View>
  );
}

const styles = StyleSheet.create({ stack: { gap: space.m } });
