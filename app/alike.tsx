import { fetchAlikeScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function AlikeRoute() {
  return <LaterScreen title="Perhaps the same" fetch={fetchAlikeScreen} />;
}
