import { fetchJoinedScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function JoinedRoute() {
  return <LaterScreen title="Join" fetch={fetchJoinedScreen} />;
}
