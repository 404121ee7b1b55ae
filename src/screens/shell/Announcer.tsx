import { StyleSheet, View } from 'react-native';

import { selectIncoming, selectTaken, useAppSelector } from '@/state/app';
import { Txt } from '@/ui/text';

import { phaseWord, theyHear } from '../shared/callWords';

/** Says to those who don't see it that a call has come, and how a call goes on. */
export function Announcer() {
  const incoming = useAppSelector(selectIncoming);
  const taken = useAppSelector(selectTaken);
  const arrivals = incoming.map(
    ({ others, line }) => `${others[0]?.name ?? 'Somebody'} calls${line ? ` on ${line.name}` : ''}.`,
  );
  const states = taken.map((view) => {
    const [other] = view.others;
    return `${other?.name ?? 'Call'}: ${phaseWord(view)}${other && view.phase !== 'failed' ? `, ${theyHear(other, view)}` : ''}.`;
  });
  return (
    <View style={styles.unseen}>
      <View aria-live="assertive" role="alert">
        <Txt>{arrivals.join(' ')}</Txt>
      </View>
      <View aria-live="polite" role="status">
        <Txt>{states.join(' ')}</Txt>
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  unseen: {
    position: 'absolute',
    width: 1,
    height: 1,
    overflow: 'hidden',
    opacity: 0,
    pointerEvents: 'none',
  },
});
