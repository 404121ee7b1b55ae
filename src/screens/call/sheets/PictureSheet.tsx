import type { PictureKind } from '@/core/calls/meetings';
import type { PartyView } from '@/state/app';
import { Sheet } from '@/ui/sheet';

import { PictureSizes } from '../meeting/PictureSizes';
import { pictureName } from '../meeting/pictureWords';

interface PictureSheetProps {
  party: PartyView;
  pictureKind: PictureKind;
  onClose: () => void;
}

/** What one of several in a meeting shows, in the sizes in which it can be seen. */
export function PictureSheet({ party, pictureKind, onClose }: PictureSheetProps) {
  const title = pictureName(party.name, pictureKind);
  return (
    <Sheet title={title} onClose={onClose}>
      <PictureSizes legId={party.legId} kind={pictureKind} {...{ title, onClose }} />
    </Sheet>
  );
}
