import { fetchRouteScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function RouteRoute() {
  return <LaterScreen title="Route" fetch={fetchRouteScreen} />;
}
