import { fetchTeamFormScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function TeamFormRoute() {
  return <LaterScreen title="Team" fetch={fetchTeamFormScreen} />;
}
