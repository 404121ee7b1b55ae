import { fetchImportScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function ImportRoute() {
  return <LaterScreen title="Bring people in" fetch={fetchImportScreen} />;
}
