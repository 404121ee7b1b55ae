import { fetchBeginScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function BeginRoute() {
  return <LaterScreen title="Begin an office" fetch={fetchBeginScreen} />;
}
