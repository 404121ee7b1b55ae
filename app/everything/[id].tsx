import { fetchEverythingScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function RecordRoute() {
  return <LaterScreen title="Everything" fetch={fetchEverythingScreen} />;
}
