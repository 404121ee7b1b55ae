import type { CallView } from '@/state/app';
import { Txt } from '@/ui/text';

import { fetchMinutesInto } from '../../looseEnds/fetchInboxScreens';
import { useFetched } from '../../shared/useFetched';

/** Where the minutes go, which is fetched with all that is written. */
export function LazyMinutes({ view, onDone }: { view: CallView; onDone: () => void }) {
  const MinutesInto = useFetched(fetchMinutesInto);
  if (MinutesInto === null) return null;
  if (MinutesInto !== 'missing') return <MinutesInto view={view} onDone={onDone} />;
  return (
    <Txt>
      Minutes can’t be written now: that part of the app has not been fetched, and there is no network.
    </Txt>
  );
}
