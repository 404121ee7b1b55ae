import { fetchFaxListScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function FaxListRoute() {
  return <LaterScreen title="Faxes" fetch={fetchFaxListScreen} />;
}
