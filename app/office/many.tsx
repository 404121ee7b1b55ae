import { fetchManyPeopleScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function ManyPeopleRoute() {
  return <LaterScreen title="Many people at once" fetch={fetchManyPeopleScreen} />;
}
