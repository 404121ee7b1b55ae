import { LaterScreen } from '@/screens/shared/LaterScreen';
import { fetchOfficeScreen } from '@/screens/office/fetchOfficeScreen';

export default function OfficeRoute() {
  return <LaterScreen title="Office" fetch={fetchOfficeScreen} />;
}
