import { fetchPersonFormScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function PersonFormRoute() {
  return <LaterScreen title="Person" fetch={fetchPersonFormScreen} />;
}
