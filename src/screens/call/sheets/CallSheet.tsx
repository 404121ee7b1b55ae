import { useEffect } from 'react';

import { selectMyCalls, useAppSelector } from '@/state/app';

import { HelpSheet } from '../../help/HelpSheet';
import type { OpenSheet } from '../sheetKinds';
import { AskPlaceSheet } from './AskPlaceSheet';
import { AskShownSheet } from './AskShownSheet';
import { CameraSheet } from './CameraSheet';
import { JoinSheet } from './JoinSheet';
import { LazyChat } from './LazyChat';
import { LinkSheet } from './LinkSheet';
import { MeetingSheet } from './MeetingSheet';
import { MoveSheet } from './MoveSheet';
import { NoteSheet } from './NoteSheet';
import { PartySheet } from './PartySheet';
import { PictureSheet } from './PictureSheet';
import { ReactSheet } from './ReactSheet';
import { RefuseTextSheet } from './RefuseTextSheet';
import { SoundSheet } from './SoundSheet';
import { TargetSheet } from './TargetSheet';

/** What is being written is worth something beyond the call. */
const outlives = ({ kind }: OpenSheet) => kind === 'note' || kind === 'refuseWithText';

interface CallSheetProps {
  open: OpenSheet;
  onClose: () => void;
}

/** The sheet that is open, with its call as it is now; it goes when the call has gone, unless something is written in it. */
export function CallSheet({ open, onClose }: CallSheetProps) {
  const calls = useAppSelector(selectMyCalls);
  const live = 'view' in open ? calls.find(({ id }) => id === open.view.id) : undefined;
  const isOver = 'view' in open && !live && !outlives(open);
  useEffect(() => {
    if (isOver) onClose();
  }, [isOver, onClose]);
  if (open.kind === 'sound') return <SoundSheet onClose={onClose} />;
  if (open.kind === 'askPlace') return <AskPlaceSheet {...open} onClose={onClose} />;
  if (open.kind === 'askShown') return <AskShownSheet {...open} onClose={onClose} />;
  if (open.kind === 'help') return <HelpSheet path={open.path} onClose={onClose} />;
  const view = live ?? (outlives(open) ? open.view : undefined);
  if (!view) return null;
  switch (open.kind) {
    case 'transfer':
    case 'add':
    case 'passOn':
      return <TargetSheet view={view} purpose={open.kind} onClose={onClose} />;
    case 'join': {
      const active = calls.find(({ id }) => id === open.active.id);
      return active ? <JoinSheet held={view} active={active} onClose={onClose} /> : null;
    }
    case 'move':
      return <MoveSheet view={view} onClose={onClose} />;
    case 'camera':
      return <CameraSheet view={view} onClose={onClose} />;
    case 'picture': {
      const party = view.others.find(({ legId }) => legId === open.legId);
      return party ? <PictureSheet {...{ party, onClose }} pictureKind={open.pictureKind} /> : null;
    }
    case 'react':
      return <ReactSheet view={view} onClose={onClose} />;
    case 'meeting':
      return <MeetingSheet view={view} onClose={onClose} />;
    case 'link':
      return <LinkSheet view={view} party={open.party} onClose={onClose} />;
    case 'note':
      return <NoteSheet view={view} onClose={onClose} />;
    case 'chat':
      return <LazyChat view={view} onClose={onClose} />;
    case 'refuseWithText':
      return <RefuseTextSheet view={view} isGone={!live} onClose={onClose} />;
    case 'party': {
      const party = view.others.find(({ legId }) => legId === open.party.legId);
      return party ? <PartySheet view={view} party={party} onClose={onClose} /> : null;
    }
  }
}
