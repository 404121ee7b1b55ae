import { fetchEverythingList } from '../looseEnds/fetchInboxScreens';
import { Columns } from '../shared/Columns';
import { LaterScreen } from '../shared/LaterScreen';
import { CallScreen } from './CallScreen';

/** The cords; on a wide screen the history stays in reach beside them. */
export function CallRouteScreen() {
  return (
    <Columns
      narrow="detail"
      list={<LaterScreen title="Everything" fetch={fetchEverythingList} />}
      detail={<CallScreen />}
    />
  );
}
