import { useRef, useState, type ReactNode } from 'react';
import { StyleSheet, View, type StyleProp, type ViewStyle } from 'react-native';

import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    under: { backgroundColor: colours.ink },
    word: { position: 'absolute', top: 0, bottom: 0, justifyContent: 'center', paddingHorizontal: space.l },
    left: { left: 0 },
    right: { right: 0 },
  }),
);

/** Pulled so far it is meant. */
const meantPixels = 96;
/** A finger that trembles pulls nothing. */
const slackPixels = 12;

interface PullRowProps {
  onDone: () => void;
  onLater: () => void;
  style: StyleProp<ViewStyle>;
  children: ReactNode;
}

interface PointerLike {
  nativeEvent: { clientX: number; pointerType?: string };
}

/** A row that a finger pulls aside: to the right it is done, to the left for later. Its acts have buttons, too. */
export function PullRow({ onDone, onLater, style, children }: PullRowProps) {
  const styles = useStyles();
  const { colours } = useTheme();
  const startX = useRef<number | null>(null);
  const [pulled, setPulled] = useState(0);
  const end = () => {
    if (pulled >= meantPixels) onDone();
    else if (pulled <= -meantPixels) onLater();
    startX.current = null;
    setPulled(0);
  };
  const pointer = {
    onPointerDown: ({ nativeEvent }: PointerLike) => {
      if (nativeEvent.pointerType !== 'mouse') startX.current = nativeEvent.clientX;
    },
    onPointerMove: ({ nativeEvent }: PointerLike) => {
      if (startX.current === null) return;
      const by = nativeEvent.clientX - startX.current;
      setPulled(Math.abs(by) < slackPixels ? 0 : by);
    },
    onPointerUp: end,
    onPointerCancel: () => {
      startX.current = null;
      setPulled(0);
    },
  };
  return (
    <View style={styles.under}>
      {pulled === 0 ? null : (
        <View style={[styles.word, pulled > 0 ? styles.left : styles.right]} aria-hidden>
          <Txt as="strong" colour={colours.paper}>
            {pulled > 0 ? 'Done' : 'Later'}
          </Txt>
        </View>
      )}
      <View
        {...(pointer as object)}
        style={[style, { touchAction: 'pan-y', transform: [{ translateX: pulled }] } as ViewStyle]}
      >
        {children}
      </View>
    </View>
  );
}
