import { fetchMenuFormScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function MenuFormRoute() {
  return <LaterScreen title="Menu" fetch={fetchMenuFormScreen} />;
}
