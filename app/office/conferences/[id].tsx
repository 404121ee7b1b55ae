import { fetchConferenceFormScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function ConferenceFormRoute() {
  return <LaterScreen title="Conference" fetch={fetchConferenceFormScreen} />;
}
