import { StyleSheet, View } from 'react-native';

import { reactions, type Reaction } from '@/core/calls/meetings';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

/** What can be said without a sound. */
export function ReactPlates({ onReact }: { onReact: (reaction: Reaction) => void }) {
  return (
    <View style={styles.stack}>
      <Txt as="small">
        Nobody is interrupted: everybody who sees the meeting sees it at your name for a moment.
      </Txt>
      {reactions.map((reaction) => (
        <Plate
          key={reaction}
          large
          word={reaction[0]?.toUpperCase() + reaction.slice(1)}
          onPress={() => onReact(reaction)}
        />
      ))}
    </View>
  );
}

const styles = StyleSheet.create({ stack: { gap: space.m } });
