import { fetchFollowUpsScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function FollowUpsRoute() {
  return <LaterScreen title="Follow-ups" fetch={fetchFollowUpsScreen} />;
}
