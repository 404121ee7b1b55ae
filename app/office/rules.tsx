import { fetchRulesScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function RulesRoute() {
  return <LaterScreen title="Rules of the house" fetch={fetchRulesScreen} />;
}
