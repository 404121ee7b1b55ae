import { fetchFaxListScreen } from '@/screens/looseEnds/fetchCatchingUp';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function FaxListRoute() {
  return <LaterScreen title="Faxes" fetch={fetchFaxListScreen} />;
}
