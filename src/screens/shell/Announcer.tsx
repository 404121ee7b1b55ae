import { StyleSheet, View } from 'react-native';

import { selectIncoming, selectTaken, selectWaitingGuests, useAppSelector, type CallView } from '@/state/app';
import { TopMost } from '@/ui/layer';
import { Txt } from '@/ui/text';

import { phaseWord, theyHear } from '../shared/callWords';

/** Says to those who don't see it that a call has come, and how a call goes on. */
export function Announcer() {
  const incoming = useAppSelector(selectIncoming);
  const taken = useAppSelector(selectTaken);
  const guests = useAppSelector(selectWaitingGuests).map(({ name }) => `${name} wants to come in.`);
  const arrivals = incoming.map(
    (view) =>
      `${namesOf(view)} ${view.others.length > 1 ? 'call' : 'calls'}${view.line ? ` on ${view.line.name}` : ''}.`,
  );
  const states = taken.map((view) => {
    const hears =
      view.phase === 'failed' ? [] : view.others.map((party) => `${party.name} ${theyHear(party, view)}`);
    return `${[`${namesOf(view)}: ${phaseWord(view)}`, ...hears].join(', ')}.`;
  });
  return (
    <TopMost>
      <View style={styles.unseen}>
        <View aria-live="assertive" role="alert">
          <Txt>{[...arrivals, ...guests].join(' ')}</Txt>
        </View>
        <View aria-live="polite" role="status">
          <Txt>{states.join(' ')}</Txt>
        </View>
      </View>
    </TopMost>
  );
}

/** All of them, since a listener sees no cards. */
const namesOf = ({ others }: CallView) => others.map(({ name }) => name).join(', ') || 'Somebody';

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
