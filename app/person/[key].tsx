import { fetchPersonScreen } from '@/screens/looseEnds/fetchCatchingUp';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function PersonRoute() {
  return <LaterScreen title="Timeline" fetch={fetchPersonScreen} />;
}
