import { fetchFiguresScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function FiguresRoute() {
  return <LaterScreen title="Figures" fetch={fetchFiguresScreen} />;
}
