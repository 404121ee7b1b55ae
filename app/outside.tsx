import { fetchOutsideScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function OutsideRoute() {
  return <LaterScreen title="Outside" fetch={fetchOutsideScreen} />;
}
