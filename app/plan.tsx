import { fetchPlanScreen } from '@/screens/plan/fetchPlanScreen';
import { LaterScreen } from '@/screens/shared/LaterScreen';

export default function PlanRoute() {
  return <LaterScreen title="Who rings when" fetch={fetchPlanScreen} />;
}
