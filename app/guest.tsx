import { fetchGuestScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function GuestRoute() {
  return <LaterScreen title="Meeting" fetch={fetchGuestScreen} />;
}
