import { StyleSheet, View } from 'react-native';

import { Columns } from '../shared/Columns';
import { EndsList } from './EndsList';
import { PersonTimeline } from './PersonTimeline';

/** The home: who still waits for an answer, in the order to answer them; with one of them beside it, where there is room. */
export function LooseEndsScreen({ personKey }: { personKey?: string }) {
  return (
    <Columns
      narrow={personKey === undefined ? 'list' : 'detail'}
      list={
        <View style={styles.whole}>
          <EndsList selectedKey={personKey} />
        </View>
      }
      detail={<PersonTimeline personKey={personKey} />}
    />
  );
}

const styles = StyleSheet.create({ whole: { flex: 1, minHeight: 0 } });
