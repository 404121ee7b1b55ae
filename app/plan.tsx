import { lazy, Suspense } from 'react';

import { ComingScreen } from '@/screens/places/ComingScreen';

/** Fetched when it is first asked for, so that it doesn't weigh on the start. */
const PlanScreen = lazy(() =>
  import('@/screens/plan/PlanScreen').then(({ PlanScreen }) => ({ default: PlanScreen })),
);

export default function PlanRoute() {
  return (
    <Suspense fallback={<ComingScreen title="Who rings when" sentence="The ring plan is being fetched." />}>
      <PlanScreen />
    </Suspense>
  );
}
