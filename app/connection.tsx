import { fetchConnectionScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function ConnectionRoute() {
  return <LaterScreen title="How calls sound from here" fetch={fetchConnectionScreen} />;
}
