import { fetchVoicemailsScreen } from '@/screens/looseEnds/fetchCatchingUp';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function VoicemailsRoute() {
  return <LaterScreen title="Voicemails" fetch={fetchVoicemailsScreen} />;
}
