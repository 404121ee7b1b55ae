import { useEffect, useState } from 'react';

import type { CallView } from '@/state/app';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';

import { fetchChatSheet } from '../../looseEnds/fetchInboxScreens';

type ChatSheet = Awaited<ReturnType<typeof fetchChatSheet>>;

/** The chat, which is fetched with all that is written. */
export function LazyChat({ view, onClose }: { view: CallView; onClose: () => void }) {
  const [Chat, setChat] = useState<ChatSheet | null>(null);
  const [isMissing, setMissing] = useState(false);
  useEffect(() => {
    let isGone = false;
    fetchChatSheet().then(
      (found) => isGone || setChat(() => found),
      () => isGone || setMissing(true),
    );
    return () => {
      isGone = true;
    };
  }, []);
  if (Chat) return <Chat view={view} onClose={onClose} />;
  if (!isMissing) return null;
  return (
    <Sheet title="Chat of this call" onClose={onClose}>
      <Txt>This part of the app has not been fetched, and there is no network now. The call goes on.</Txt>
    </Sheet>
  );
}
