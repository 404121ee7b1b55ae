import { fetchFaxScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function FaxRoute() {
  return <LaterScreen title="Fax" fetch={fetchFaxScreen} />;
}
