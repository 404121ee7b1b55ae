import { StyleSheet, View } from 'react-native';

import { useAppSelector } from '@/state/app';

import { FindBar } from './FindBar';
import { FoundList } from './FoundList';
import { HistoryList } from './HistoryList';
import { PlaceHead } from './PlaceHead';

/** The history with its head, as the list of a wide screen or the whole of a narrow one. */
export function EverythingList({ selectedId }: { selectedId?: string }) {
  const isSeeking = useAppSelector((state) => state.catchUp.sought.words.trim() !== '');
  return (
    <View style={styles.list}>
      <PlaceHead at="everything" />
      <FindBar />
      {isSeeking ? <FoundList /> : <HistoryList selectedId={selectedId} />}
    </View>
  );
}

const styles = StyleSheet.create({ list: { flex: 1, minHeight: 0 } });
