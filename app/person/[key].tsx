import { fetchPersonScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function PersonRoute() {
  return <LaterScreen title="Timeline" fetch={fetchPersonScreen} />;
}
