import { useEffect } from 'react';
import { StyleSheet, View } from 'react-native';

import type { CallView } from '@/state/app';
import { Keypad } from '@/ui/keypad';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    panel: { borderWidth: 1, borderColor: colours.ink, backgroundColor: colours.sheet },
    sent: {
      flexDirection: 'row',
      alignItems: 'center',
      gap: space.s,
      minHeight: 36,
      paddingHorizontal: space.m,
    },
    digits: { flex: 1, textAlign: 'right' },
  }),
);

interface KeysOnCordProps {
  view: CallView;
  onDigit: (digit: string) => void;
}

/** Digits for the other side, hung on the cord: who is on the line and who hears whom stay in view above and below them. */
export function KeysOnCord({ view, onDigit }: KeysOnCordProps) {
  const styles = useStyles();
  useTypedDigits(onDigit);
  const digits = view.call.legs.find(({ id }) => id === view.me.legId)?.digitsSent ?? '';
  return (
    <View style={styles.panel}>
      <View style={styles.sent} aria-live="polite">
        <Txt as="small">Sent so far</Txt>
        <Txt as="monoLarge" lines={1} style={styles.digits}>
          {/* The newest are those that count. */}
          {digits === '' ? '–' : digits.slice(-10)}
        </Txt>
      </View>
      <Keypad onKey={onDigit} isNarrow />
    </View>
  );
}

/** Digits can be typed as well as tapped, while the keys are open. */
function useTypedDigits(onDigit: (digit: string) => void) {
  useEffect(() => {
    const type = (event: KeyboardEvent) => {
      const isElsewhere =
        event.target instanceof HTMLInputElement || event.ctrlKey || event.metaKey || event.altKey;
      if (!isElsewhere && /^[0-9*#]$/.test(event.key)) onDigit(event.key);
    };
    window.addEventListener('keydown', type);
    return () => window.removeEventListener('keydown', type);
  }, [onDigit]);
}
