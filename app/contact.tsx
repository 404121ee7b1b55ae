import { fetchContactScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function ContactRoute() {
  return <LaterScreen title="Contact" fetch={fetchContactScreen} />;
}
