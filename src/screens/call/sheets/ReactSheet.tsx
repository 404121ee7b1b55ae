import type { Reaction } from '@/core/calls/meetings';
import { send, useAppDispatch, type CallView } from '@/state/app';
import { Sheet } from '@/ui/sheet';

import { ReactPlates } from '../meeting/ReactPlates';
import { RefusalLine } from './RefusalLine';

/** Says something without a sound: it stands at one’s name for a moment. */
export function ReactSheet({ view, onClose }: { view: CallView; onClose: () => void }) {
  const dispatch = useAppDispatch();
  const react = async (reaction: Reaction) => {
    const { legId } = view.me;
    const act = { act: 'react', reaction } as const;
    if ((await dispatch(send({ type: 'inMeeting', legId, act })))?.ok) onClose();
  };
  return (
    <Sheet title="React" onClose={onClose}>
      <RefusalLine />
      <ReactPlates onReact={(reaction) => void react(reaction)} />
    </Sheet>
  );
}
