import { LaterScreen } from '@/screens/shared/LaterScreen';
import { fetchStandingScreen } from '@/screens/standing/fetchStandingScreen';

export default function StandingRoute() {
  return <LaterScreen title="Where I stand" fetch={fetchStandingScreen} />;
}
