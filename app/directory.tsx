import { fetchDirectoryScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function DirectoryRoute() {
  return <LaterScreen title="Directory" fetch={fetchDirectoryScreen} />;
}
