import { fetchEverythingScreen } from '@/screens/looseEnds/fetchCatchingUp';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function RecordRoute() {
  return <LaterScreen title="Everything" fetch={fetchEverythingScreen} />;
}
