import { fetchMenusScreen } from '@/screens/looseEnds/fetchInboxScreens';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function MenusRoute() {
  return <LaterScreen title="Menus" fetch={fetchMenusScreen} />;
}
