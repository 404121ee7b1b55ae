import { fetchLooseEndsScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function LooseEndsRoute() {
  return <LaterScreen title="Loose ends" fetch={fetchLooseEndsScreen} />;
}
