import { fetchNotesScreen } from '@/screens/looseEnds/fetchCatchingUp';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function NotesRoute() {
  return <LaterScreen title="Notes" fetch={fetchNotesScreen} />;
}
