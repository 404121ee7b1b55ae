import { LaterScreen } from '@/screens/shared/LaterScreen';
import { fetchOfficeScreen } from '@/screens/looseEnds/fetchInboxScreens';

export default function OfficeRoute() {
  return <LaterScreen title="Office" fetch={fetchOfficeScreen} />;
}
