import { fetchLinesScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function LinesRoute() {
  return <LaterScreen title="Lines" fetch={fetchLinesScreen} />;
}
