import { lazy, Suspense } from 'react';

import type { OpenSheet } from './sheetKinds';

const CallSheet = lazy(() => import('./sheets').then(({ CallSheet }) => ({ default: CallSheet })));

/** The sheet that is open, if one is. It is fetched when it is first needed, so that it doesn't weigh on the start. */
export function LazySheet({ open, onClose }: { open: OpenSheet | null; onClose: () => void }) {
  if (!open) return null;
  return (
    <Suspense fallback={null}>
      <CallSheet open={open} onClose={onClose} />
    </Suspense>
  );
}
