import { fetchLogScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function LogRoute() {
  return <LaterScreen title="Log" fetch={fetchLogScreen} />;
}
