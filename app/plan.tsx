import { ComingScreen } from '@/screens/places/ComingScreen';

export default function PlanRoute() {
  return (
    <ComingScreen
      title="Who rings when"
      sentence="Here you will draw, second by second, which of your devices and colleagues ring for whom, and try it before it happens."
    />
  );
}
