import { fetchLineFormScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function LineFormRoute() {
  return <LaterScreen title="Line" fetch={fetchLineFormScreen} />;
}
