import { fetchFollowUpsScreen } from '@/screens/looseEnds/fetchCatchingUp';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function FollowUpsRoute() {
  return <LaterScreen title="Follow-ups" fetch={fetchFollowUpsScreen} />;
}
