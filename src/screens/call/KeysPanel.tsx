import { useEffect } from 'react';
import { StyleSheet, View } from 'react-native';

import type { CallView } from '@/state/app';
import { Keypad } from '@/ui/keypad';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    panel: { flex: 1, justifyContent: 'flex-end' },
    sent: { padding: space.l, gap: space.xs, borderTopWidth: 1, borderColor: colours.rule },
  }),
);

interface KeysPanelProps {
  view: CallView;
  said: string | null;
  onDigit: (digit: string) => void;
}

/** Digits for the other side, in place of the cords; timer and End stay in view. */
export function KeysPanel({ view, said, onDigit }: KeysPanelProps) {
  const styles = useStyles();
  const { colours } = useTheme();
  useTypedDigits(onDigit);
  const digits = view.call.legs.find(({ id }) => id === view.me.legId)?.digitsSent ?? '';
  return (
    <View style={styles.panel}>
      <View style={styles.sent} aria-live="polite">
        <Txt as="strong" level={1} lines={1}>
          {view.others[0]?.name ?? ''}
        </Txt>
        {said ? <Txt colour={colours.faint}>“{said}”</Txt> : null}
        <Txt as="small">Sent so far</Txt>
        <Txt as="monoLarge" lines={1}>
          {digits || '–'}
        </Txt>
      </View>
      <Keypad onKey={onDigit} />
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
