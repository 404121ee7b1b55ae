import { ScrollView, StyleSheet } from 'react-native';

import type { CallView } from '@/state/app';
import { TopMost, useKeyboardInset, useLayers } from '@/ui/layer';
import { themed } from '@/ui/tokens';

import { useLayout } from '../shared/useLayout';
import { IncomingBand } from './IncomingBand';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    bands: {
      position: 'absolute',
      left: 0,
      right: 0,
      flexGrow: 0,
      maxHeight: '70%',
      backgroundColor: colours.night,
    },
    column: { left: undefined, top: 0, bottom: undefined, width: 304, maxHeight: '100%' },
  }),
);

/** Who calls while a sheet lies open: over it, above the keyboard, so that it is answered at once and nothing typed is lost. */
export function IncomingOver({ incoming }: { incoming: readonly CallView[] }) {
  const styles = useStyles();
  const { hasThird } = useLayout();
  const keyboard = useKeyboardInset();
  const layers = useLayers().filter(({ isAside }) => !isAside);
  const shown = incoming.filter(({ id }) => layers.every(({ about }) => about !== id));
  if (layers.length === 0 || shown.length === 0) return null;
  return (
    <TopMost>
      <ScrollView style={[styles.bands, { bottom: keyboard }, hasThird && styles.column]}>
        {shown.map((view) => (
          <IncomingBand key={view.id} view={view} />
        ))}
      </ScrollView>
    </TopMost>
  );
}
