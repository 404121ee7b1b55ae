import type { PictureKind } from '@/core/calls/meetings';
import type { GuestCall } from '@/state/guest';
import { Problem } from '@/ui/notice';
import { Sheet } from '@/ui/sheet';

import { notFetched } from '../call/meeting/useMeetingActs';
import { useFetched } from '../shared/useFetched';

/** Those of the office have them too, and fetch them with the rest of their sheets. */
const fetchSheets = () => import('../call/sheets');

/** Their own picture, something said without a sound, or what somebody shows in other sizes. */
export type GuestSheetOpen = 'camera' | 'react' | { legId: string; kind: PictureKind; title: string };

interface GuestSheetProps {
  open: GuestSheetOpen;
  call: GuestCall;
  legId: string;
  problem: string | null;
  onClose: () => void;
}

/** A guest looks at their own picture before anybody else does, or says something without a sound. */
export function GuestSheet({ open, call, legId, problem, onClose }: GuestSheetProps) {
  const sheets = useFetched(fetchSheets);
  const show = async (stream: MediaStream) => {
    const isShown = await call.show(legId, 'camera', stream);
    if (isShown) onClose();
    return isShown;
  };
  return (
    <Sheet title={titleOf(open)} onClose={onClose}>
      {sheets === null ? null : sheets === 'missing' ? (
        <Problem sentence={notFetched} />
      ) : typeof open === 'object' ? (
        <sheets.PictureSizes {...open} onClose={onClose} />
      ) : open === 'camera' ? (
        <sheets.CameraChoice refusal={<Problem sentence={problem} />} onShow={show} />
      ) : (
        <sheets.ReactPlates
          onReact={(reaction) => {
            void call.act({ do: 'inMeeting', act: { act: 'react', reaction } });
            onClose();
          }}
        />
      )}
    </Sheet>
  );
}

const titleOf = (open: GuestSheetOpen) =>
  typeof open === 'object' ? open.title : open === 'camera' ? 'Your picture' : 'React';
