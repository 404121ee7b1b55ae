import { fetchConferencesScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function ConferencesRoute() {
  return <LaterScreen title="Conferences" fetch={fetchConferencesScreen} />;
}
