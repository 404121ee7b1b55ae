import { fetchTeamsScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function TeamsRoute() {
  return <LaterScreen title="Teams" fetch={fetchTeamsScreen} />;
}
