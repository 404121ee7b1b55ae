import type { ComponentProps } from 'react';
import { View } from 'react-native';

import { selectWaitingGuests, useAppSelector } from '@/state/app';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';

import { useFetched } from '../shared/useFetched';
import type { OpenSheet } from './sheetKinds';
import type { ShownSheet } from './sheets';

/** Fetches the sheets, which don't weigh on the start; asked for when nothing else goes on, they are there offline too. */
export const fetchSheets = () => import('./sheets');

/** The sheet that is open, if one is. */
export function LazySheet({ open, onClose }: { open: OpenSheet | null; onClose: () => void }) {
  return open && <OpenedSheet open={open} onClose={onClose} />;
}

function OpenedSheet({ open, onClose }: { open: OpenSheet; onClose: () => void }) {
  const sheets = useFetched(fetchSheets);
  if (sheets === 'missing') return <NotHere onClose={onClose} />;
  return sheets && <sheets.CallSheet open={open} onClose={onClose} />;
}

/** Who waits to be let into a meeting, on every screen of whoever decides. */
export function LazyGuestsWaiting() {
  const isSomebodyThere = useAppSelector((state) => selectWaitingGuests(state).length > 0);
  return <View role="status">{isSomebodyThere ? <FetchedGuests /> : null}</View>;
}

function FetchedGuests() {
  const sheets = useFetched(fetchSheets);
  return sheets && sheets !== 'missing' && <sheets.GuestsWaiting />;
}

/** Which number the other side of a call sees. */
export function LazyShownSheet(props: ComponentProps<typeof ShownSheet>) {
  const sheets = useFetched(fetchSheets);
  if (sheets === 'missing') return <NotHere onClose={props.onClose} />;
  return sheets && <sheets.ShownSheet {...props} />;
}

function NotHere({ onClose }: { onClose: () => void }) {
  return (
    <Sheet title="Not here yet" onClose={onClose}>
      <Txt>
        This part of the app has not been fetched, and there is no network now. Everything else goes on.
      </Txt>
    </Sheet>
  );
}
