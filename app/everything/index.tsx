import { fetchEverythingScreen } from '@/screens/looseEnds/fetchCatchingUp';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function EverythingRoute() {
  return <LaterScreen title="Everything" fetch={fetchEverythingScreen} />;
}
