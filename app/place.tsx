import { fetchPlaceScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function PlaceRoute() {
  return <LaterScreen title="Where help is sent" fetch={fetchPlaceScreen} />;
}
