import { EverythingScreen } from '@/screens/everything/EverythingScreen';

export default function EverythingRoute() {
  return <EverythingScreen />;
}
