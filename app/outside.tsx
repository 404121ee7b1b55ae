import { KeptInBrowser } from '@/screens/shared/KeptInBrowser';
import { LaterScreen } from '@/screens/shared/LaterScreen';
import { isOutsidePlayed } from '@/state/offices';

/** The stand-ins are no part of the app itself, so they don't weigh on its start. */
const fetchOutside = async () => (await import('@/screens/outside/OutsideScreen')).OutsideScreen;

export default function OutsideRoute() {
  return (
    <KeptInBrowser isThere={isOutsidePlayed()}>
      <LaterScreen title="Outside" fetch={fetchOutside} />
    </KeptInBrowser>
  );
}
