import { fetchEverythingScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function EverythingRoute() {
  return <LaterScreen title="Everything" fetch={fetchEverythingScreen} />;
}
