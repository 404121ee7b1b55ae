import { lazy, Suspense } from 'react';

import { ComingScreen } from '@/screens/places/ComingScreen';

/** The stand-ins are no part of the app itself, so they don't weigh on its start. */
const OutsideScreen = lazy(() =>
  import('@/screens/outside/OutsideScreen').then(({ OutsideScreen }) => ({ default: OutsideScreen })),
);

export default function OutsideRoute() {
  return (
    <Suspense fallback={<ComingScreen title="Outside" sentence="The stand-ins are being fetched." />}>
      <OutsideScreen />
    </Suspense>
  );
}
