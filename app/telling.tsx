import { fetchTellingScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function TellingRoute() {
  return <LaterScreen title="Told elsewhere" fetch={fetchTellingScreen} />;
}
