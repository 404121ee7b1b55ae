import { fetchSettingsScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function SettingsRoute() {
  return <LaterScreen title="All that can be chosen" fetch={fetchSettingsScreen} />;
}
