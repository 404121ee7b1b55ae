import { fetchRoomsScreen } from '@/screens/looseEnds/fetchCatchingUp';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function RoomRoute() {
  return <LaterScreen title="Rooms" fetch={fetchRoomsScreen} />;
}
