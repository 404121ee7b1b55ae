import { fetchNewFaxScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function NewFaxRoute() {
  return <LaterScreen title="Send a fax" fetch={fetchNewFaxScreen} />;
}
