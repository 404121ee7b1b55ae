import { Navigator } from 'expo-router';
import { Activity } from 'react';
import { StyleSheet, View } from 'react-native';

const callRoute = 'call';

/** The screen of the address. While it is the call's, what it was opened from stays under it as it was left. */
export function CallOver() {
  const { state, descriptors, NavigationContent } = Navigator.useContext();
  const current = state.routes[state.index];
  const before = current?.name === callRoute ? state.routes[state.index - 1] : undefined;
  const shown = [before, current].filter((route) => route !== undefined);
  return (
    <NavigationContent>
      {shown.map((route) => (
        <Activity key={route.key} mode={route === current ? 'visible' : 'hidden'}>
          <View style={styles.whole}>{descriptors[route.key]?.render() ?? null}</View>
        </Activity>
      ))}
    </NavigationContent>
  );
}

const styles = StyleSheet.create({ whole: { flex: 1, minHeight: 0 } });
