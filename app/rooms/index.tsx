import { fetchRoomsScreen } from '@/screens/looseEnds/fetchCatchingUp';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function RoomsRoute() {
  return <LaterScreen title="Rooms" fetch={fetchRoomsScreen} />;
}
