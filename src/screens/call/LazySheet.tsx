import { useEffect, useState } from 'react';

import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';

import type { OpenSheet } from './sheetKinds';
import type { CallSheet } from './sheets';

let fetched: typeof CallSheet | null = null;

/** Fetches the sheets, which don't weigh on the start; asked for when nothing else goes on, they are there offline too. */
export async function fetchSheets(): Promise<typeof CallSheet> {
  fetched ??= (await import('./sheets')).CallSheet;
  return fetched;
}

/** The sheet that is open, if one is. */
export function LazySheet({ open, onClose }: { open: OpenSheet | null; onClose: () => void }) {
  const [, setIsFetched] = useState(false);
  const [isMissing, setIsMissing] = useState(false);
  const isOpen = open !== null;
  useEffect(() => {
    if (!isOpen || fetched) return;
    fetchSheets().then(
      () => setIsFetched(true),
      () => setIsMissing(true),
    );
    return () => setIsMissing(false);
  }, [isOpen]);
  if (!open) return null;
  if (fetched) {
    const Fetched = fetched;
    return <Fetched open={open} onClose={onClose} />;
  }
  if (!isMissing) return null;
  return (
    <Sheet title="Not here yet" onClose={onClose}>
      <Txt>This part of the app has not been fetched, and there is no network now. The call goes on.</Txt>
    </Sheet>
  );
}
