import { fetchTellingScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { KeptInBrowser } from '@/screens/shared/KeptInBrowser';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function TellingRoute() {
  return (
    <KeptInBrowser>
      <LaterScreen title="Told elsewhere" fetch={fetchTellingScreen} />
    </KeptInBrowser>
  );
}
