import { fetchRoomsScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function RoomsRoute() {
  return <LaterScreen title="Rooms" fetch={fetchRoomsScreen} />;
}
