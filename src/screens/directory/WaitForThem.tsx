import { StyleSheet, View } from 'react-native';

import { useAppDispatch, useAppSelector } from '@/state/app';
import { stopWatching, watchUntilFree } from '@/state/people';
import { Gauge } from '@/ui/person';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

import { usePresence } from '../shared/usePresence';

/** What a colleague is doing, and till when. */
export function PresenceLine({ personId }: { personId: string }) {
  const { gauge, full } = usePresence()(personId);
  return (
    <View style={styles.line}>
      <Gauge state={gauge} />
      <Txt as="small" style={styles.words}>
        {full}
      </Txt>
    </View>
  );
}

/** While a colleague is not free: be told when they are, or have them called then. */
export function WaitForThem({ personId }: { personId: string }) {
  const dispatch = useAppDispatch();
  const { gauge } = usePresence()(personId);
  const watch = useAppSelector((state) => state.inbox.kept.freeWatches[personId]);
  if (watch)
    return (
      <Plate
        word={watch.thenCall ? 'Don’t call when they are free' : 'Don’t tell me'}
        onPress={() => dispatch(stopWatching(personId))}
      />
    );
  if (gauge === 'free') return null;
  return (
    <>
      <Plate word="Tell me when they are free" onPress={() => dispatch(watchUntilFree(personId, false))} />
      <Plate word="Call when they are free" onPress={() => dispatch(watchUntilFree(personId, true))} />
    </>
  );
}

const styles = StyleSheet.create({
  line: { flexDirection: 'row', alignItems: 'center', gap: space.xs },
  words: { flexShrink: 1 },
});
