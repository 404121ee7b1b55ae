import { fetchFindingsScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function FindingsRoute() {
  return <LaterScreen title="What is wrong" fetch={fetchFindingsScreen} />;
}
