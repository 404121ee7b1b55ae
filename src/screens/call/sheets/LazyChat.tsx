import type { CallView } from '@/state/app';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';

import { fetchChatSheet } from '../../looseEnds/fetchInboxScreens';
import { useFetched } from '../../shared/useFetched';

/** The chat, which is fetched with all that is written. */
export function LazyChat({ view, onClose }: { view: CallView; onClose: () => void }) {
  const Chat = useFetched(fetchChatSheet);
  if (Chat === null) return null;
  if (Chat !== 'missing') return <Chat view={view} onClose={onClose} />;
  return (
    <Sheet title="Chat of this call" onClose={onClose}>
      <Txt>This part of the app has not been fetched, and there is no network now. The call goes on.</Txt>
    </Sheet>
  );
}
