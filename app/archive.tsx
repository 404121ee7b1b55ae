import { fetchArchiveScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function ArchiveRoute() {
  return <LaterScreen title="Everything in one file" fetch={fetchArchiveScreen} />;
}
