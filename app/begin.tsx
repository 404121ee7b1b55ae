import { fetchBeginScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { KeptInBrowser } from '@/screens/shared/KeptInBrowser';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function BeginRoute() {
  return (
    <KeptInBrowser>
      <LaterScreen title="Begin an office" fetch={fetchBeginScreen} />
    </KeptInBrowser>
  );
}
