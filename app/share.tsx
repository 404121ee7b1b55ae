import { fetchShareScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function ShareRoute() {
  return <LaterScreen title="Passed to Cendro" fetch={fetchShareScreen} />;
}
