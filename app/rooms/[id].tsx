import { fetchRoomsScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function RoomRoute() {
  return <LaterScreen title="Rooms" fetch={fetchRoomsScreen} />;
}
