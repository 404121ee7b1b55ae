import { StyleSheet, View } from 'react-native';

import { Columns } from '../shared/Columns';
import { HistoryList } from './HistoryList';
import { PlaceHead } from './PlaceHead';
import { RecordDetail } from './RecordDetail';

/** The whole history; on a wide screen with one call beside it. */
export function EverythingScreen({ recordId }: { recordId?: string }) {
  return (
    <Columns
      narrow={recordId === undefined ? 'list' : 'detail'}
      list={
        <View style={styles.list}>
          <PlaceHead at="everything" />
          <HistoryList selectedId={recordId} />
        </View>
      }
      detail={<RecordDetail id={recordId} />}
    />
  );
}

const styles = StyleSheet.create({ list: { flex: 1, minHeight: 0 } });
