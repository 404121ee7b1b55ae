import { useEffect, useState, type ReactNode } from 'react';
import { createPortal } from 'react-dom';
import { StyleSheet, View } from 'react-native';

/** Over everything, layers too, and always within reach: who calls, and what is announced. Lets through what it does not cover. */
export function TopMost({ children }: { children: ReactNode }) {
  const [element] = useState(() => document.createElement('div'));
  useEffect(() => {
    document.body.append(element);
    return () => element.remove();
  }, [element]);
  return createPortal(
    <View style={styles.over} pointerEvents="box-none">
      {children}
    </View>,
    element,
  );
}

const styles = StyleSheet.create({
  over: { position: 'fixed' as 'absolute', inset: 0, zIndex: 200 },
});
