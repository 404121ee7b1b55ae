import { fetchDevicesScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function DevicesRoute() {
  return <LaterScreen title="PIN and devices" fetch={fetchDevicesScreen} />;
}
