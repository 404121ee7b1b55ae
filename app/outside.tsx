import { LaterScreen } from '@/screens/shared/LaterScreen';

/** The stand-ins are no part of the app itself, so they don't weigh on its start. */
const fetchOutside = async () => (await import('@/screens/outside/OutsideScreen')).OutsideScreen;

export default function OutsideRoute() {
  return <LaterScreen title="Outside" fetch={fetchOutside} />;
}
