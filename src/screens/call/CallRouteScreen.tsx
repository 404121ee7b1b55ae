import { StyleSheet, View } from 'react-native';

import { HistoryList } from '../everything/HistoryList';
import { PlaceHead } from '../everything/PlaceHead';
import { Columns } from '../shared/Columns';
import { CallScreen } from './CallScreen';

/** The cords; on a wide screen the history stays in reach beside them. */
export function CallRouteScreen() {
  return (
    <Columns
      narrow="detail"
      list={
        <View style={styles.list}>
          <PlaceHead at="everything" />
          <HistoryList />
        </View>
      }
      detail={<CallScreen />}
    />
  );
}

const styles = StyleSheet.create({ list: { flex: 1, minHeight: 0 } });
