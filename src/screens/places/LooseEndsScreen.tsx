import { StyleSheet, View } from 'react-native';

import { EmptyState } from '@/ui/notice';
import { Plate } from '@/ui/plate';

import { HistoryList } from '../everything/HistoryList';
import { PlaceHead } from '../everything/PlaceHead';
import { Columns } from '../shared/Columns';
import { useGo } from '../shared/useGo';
import { FollowUps } from './FollowUps';

/** The home. Its list comes with a later version; today's calls are drawn already. */
export function LooseEndsScreen() {
  const go = useGo();
  return (
    <Columns
      narrow="list"
      list={
        <View style={styles.whole}>
          <PlaceHead at="loose" />
          <FollowUps />
          <EmptyState
            title="Who still waits for an answer"
            sentence="Here everyone who tried to reach you and has not been answered will stand, once each, in the order to answer them."
          >
            <Plate kind="main" word="See every call" onPress={go.everything} />
          </EmptyState>
        </View>
      }
      detail={<HistoryList />}
    />
  );
}

const styles = StyleSheet.create({ whole: { flex: 1, minHeight: 0 } });
