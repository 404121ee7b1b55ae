import { fetchArchiveScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { KeptInBrowser } from '@/screens/shared/KeptInBrowser';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function ArchiveRoute() {
  return (
    <KeptInBrowser>
      <LaterScreen title="Everything in one file" fetch={fetchArchiveScreen} />
    </KeptInBrowser>
  );
}
