import { fetchPortInScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function PortInRoute() {
  return <LaterScreen title="Numbers" fetch={fetchPortInScreen} />;
}
