import { fetchNotesScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function NotesRoute() {
  return <LaterScreen title="Notes" fetch={fetchNotesScreen} />;
}
