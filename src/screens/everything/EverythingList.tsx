import { memo, useDeferredValue } from 'react';
import { StyleSheet, View } from 'react-native';

import { useAppSelector } from '@/state/app';

import { FindBar } from './FindBar';
import { FoundList } from './FoundList';
import { HistoryList } from './HistoryList';
import { PlaceHead } from './PlaceHead';

/** The history with its head, as the list of a wide screen or the whole of a narrow one. */
export function EverythingList({ selectedId }: { selectedId?: string }) {
  // What is typed is seen at once; what is found with it when there is time.
  const words = useDeferredValue(useAppSelector((state) => state.inbox.sought.words));
  return (
    <View style={styles.list}>
      <PlaceHead at="everything" />
      <FindBar />
      {words.trim() === '' ? <Rows selectedId={selectedId} /> : <FoundWith words={words} />}
    </View>
  );
}

// Not drawn again for a letter whose turn has not come.
const Rows = memo(HistoryList);
const FoundWith = memo(FoundList);

const styles = StyleSheet.create({ list: { flex: 1, minHeight: 0 } });
