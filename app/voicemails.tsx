import { fetchVoicemailsScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function VoicemailsRoute() {
  return <LaterScreen title="Voicemails" fetch={fetchVoicemailsScreen} />;
}
