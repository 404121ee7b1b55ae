import { fetchPeopleScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function PeopleRoute() {
  return <LaterScreen title="People" fetch={fetchPeopleScreen} />;
}
