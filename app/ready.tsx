import { fetchReadyScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function ReadyRoute() {
  return <LaterScreen title="Ready to go" fetch={fetchReadyScreen} />;
}
