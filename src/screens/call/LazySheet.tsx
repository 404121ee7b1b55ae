import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';

import { useFetched } from '../shared/useFetched';
import type { OpenSheet } from './sheetKinds';

/** Fetches the sheets, and what a call leaves behind, which don't weigh on the start; asked for when nothing else goes on, they are there offline too. */
export const fetchSheets = () => import('./sheets');

const missing = 'This part of the app has not been fetched, and there is no network now.';

/** How the last call ended. */
export function LazyEndedCall() {
  const sheets = useFetched(fetchSheets);
  if (sheets === 'missing') return <Txt>{missing} The call has ended.</Txt>;
  return sheets && <sheets.EndedCall />;
}

interface LazySheetProps {
  open: OpenSheet | null;
  onClose: () => void;
}

/** The sheet that is open, if one is. */
export function LazySheet({ open, onClose }: LazySheetProps) {
  return open && <OpenedSheet open={open} onClose={onClose} />;
}

function OpenedSheet({ open, onClose }: LazySheetProps & { open: OpenSheet }) {
  const sheets = useFetched(fetchSheets);
  if (sheets !== 'missing') return sheets && <sheets.CallSheet open={open} onClose={onClose} />;
  return (
    <Sheet title="Not here yet" onClose={onClose}>
      <Txt>{missing} The call goes on.</Txt>
    </Sheet>
  );
}
