import { useEffect, useState } from 'react';
import { View } from 'react-native';

import {
  actDone,
  refusalClosed,
  selectMySound,
  setAsideRead,
  soundOffered,
  takeNewer,
  takeSoundOffer,
  useAppDispatch,
  useAppSelector,
  useNow,
} from '@/state/app';
import { isServed } from '@/state/offices';
import { Notice } from '@/ui/notice';

import { useUndoOffer } from '../shared/undoOffer';
import { PlaceNoticeLater } from './PlaceNoticeLater';
import { StandingNotice } from './StandingNotice';

/** So long what was just done is worth saying. */
const shownMs = 10_000;

/** What belongs to a moment goes with it, by the office's clock. */
function useLeavingByItself(done: string | null): void {
  const dispatch = useAppDispatch();
  const now = useNow();
  const [shown, setShown] = useState({ done, since: now });
  if (shown.done !== done) setShown({ done, since: now });
  const isOver = done !== null && shown.done === done && now - shown.since >= shownMs;
  useEffect(() => {
    if (isOver) dispatch(actDone(null));
  }, [isOver, dispatch]);
}

/** What the worker has to know wherever they are. */
export function Notices() {
  const dispatch = useAppDispatch();
  const { refusal, done } = useAppSelector((state) => state.notices);
  const sound = useAppSelector((state) => state.office.sound);
  useLeavingByItself(done);
  const undo = useUndoOffer(done);
  const isSilentNow = useAppSelector(selectMySound) !== null && sound !== 'on';
  return (
    <View>
      {refusal ? (
        <Notice
          tone="alarm"
          sentence={refusal}
          action={{ word: 'Close', onPress: () => dispatch(refusalClosed()) }}
        />
      ) : null}
      {done ? (
        <Notice
          sentence={done}
          action={
            undo
              ? { word: 'Undo', label: `Undo: ${undo.what}`, onPress: undo.undo }
              : { word: 'Close', onPress: () => dispatch(actDone(null)) }
          }
        />
      ) : null}
      <StandingNotice />
      <PlaceNoticeLater />
      <DeviceNotices />
      {isSilentNow ? (
        <Notice
          sentence={
            sound === 'none'
              ? 'This browser makes no sound: watch the screen.'
              : 'Sound is off until you touch the page once.'
          }
        />
      ) : null}
    </View>
  );
}

/** What this device can't do, also before the office is open. */
export function DeviceNotices() {
  const dispatch = useAppDispatch();
  const { storage, setAside, isNewerHere, soundOffer } = useAppSelector((state) => state.notices);
  const isOnline = useAppSelector((state) => state.office.isOnline);
  return (
    <>
      {storage === 'full' ? (
        <Notice
          tone="alarm"
          sentence="This device has no room left. New calls are kept in memory and written as soon as there is room: free some space and leave this tab open."
        />
      ) : null}
      {storage === 'failed' ? (
        <Notice
          tone="alarm"
          sentence="This browser can’t keep anything. Calls work, but their history is gone when the tab closes."
        />
      ) : null}
      {setAside > 0 ? (
        <Notice
          sentence={`${setAside === 1 ? 'One stored entry' : `${setAside} stored entries`} could not be read. ${setAside === 1 ? 'It was' : 'They were'} set aside; all else is here. Office, Everything in one file, shows it.`}
          action={{ word: 'Understood', onPress: () => dispatch(setAsideRead()) }}
        />
      ) : null}
      {isNewerHere ? (
        <Notice
          sentence="A newer Cendro is here. It is used once no tab of this one is open."
          action={{ word: 'Use it now', onPress: () => dispatch(takeNewer()) }}
        />
      ) : null}
      {soundOffer ? (
        <Notice
          sentence={`${soundOffer.name} is plugged in.`}
          action={{ word: 'Use it for calls', onPress: () => dispatch(takeSoundOffer()) }}
          otherwise={{ word: 'Leave it', onPress: () => dispatch(soundOffered(null)) }}
        />
      ) : null}
      {isOnline ? null : (
        <Notice
          sentence={
            isServed()
              ? 'No network. What was here stays readable, and what you write waits for the office.'
              : 'No network. What is on this device stays readable, and the office in this page goes on.'
          }
        />
      )}
    </>
  );
}
