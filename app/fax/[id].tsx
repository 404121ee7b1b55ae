import { fetchFaxScreen } from '@/screens/looseEnds/fetchCatchingUp';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function FaxRoute() {
  return <LaterScreen title="Fax" fetch={fetchFaxScreen} />;
}
