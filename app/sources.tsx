import { fetchSourcesScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function SourcesRoute() {
  return <LaterScreen title="Where contacts come from" fetch={fetchSourcesScreen} />;
}
