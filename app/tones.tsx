import { fetchTonesScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function TonesRoute() {
  return <LaterScreen title="Ring tones" fetch={fetchTonesScreen} />;
}
