import type { PictureKind } from '@/core/calls/meetings';
import type { CallView, PartyView } from '@/state/app';

/** Which sheet lies open, and for whom. */
export type OpenSheet =
  | { kind: 'transfer'; view: CallView }
  | { kind: 'add'; view: CallView }
  | { kind: 'passOn'; view: CallView }
  | { kind: 'move'; view: CallView }
  | { kind: 'note'; view: CallView }
  | { kind: 'chat'; view: CallView }
  | { kind: 'refuseWithText'; view: CallView }
  | { kind: 'party'; view: CallView; party: PartyView }
  | { kind: 'join'; view: CallView; active: CallView }
  | { kind: 'camera'; view: CallView }
  | { kind: 'react'; view: CallView }
  | { kind: 'picture'; view: CallView; legId: string; pictureKind: PictureKind }
  | { kind: 'meeting'; view: CallView }
  /** `party`: for the screen beside their phone; null: for guests. */
  | { kind: 'link'; view: CallView; party: PartyView | null }
  | { kind: 'sound' }
  | { kind: 'askPlace'; to: string; isDialled: boolean }
  | { kind: 'askShown'; to: string; isDialled: boolean }
  | { kind: 'help'; path: string };
