import { useLocalSearchParams } from 'expo-router';

import { Columns } from '../shared/Columns';
import { EverythingList } from './EverythingList';
import { RecordDetail } from './RecordDetail';

/** The whole history; on a wide screen with the call beside it that the address names, if it names one. */
export function EverythingScreen() {
  const { id } = useLocalSearchParams<{ id?: string }>();
  return (
    <Columns
      narrow={id === undefined ? 'list' : 'detail'}
      list={<EverythingList selectedId={id} />}
      detail={<RecordDetail id={id} />}
    />
  );
}
