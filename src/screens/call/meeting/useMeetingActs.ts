import {
  actDone,
  actRefused,
  meetingOf,
  send,
  useAppDispatch,
  useServices,
  type CallView,
  type MeetingView,
} from '@/state/app';

import type { CallAct, ActGroup } from '../ActRows';
import type { OpenSheet } from '../sheetKinds';

/** What opens a camera or a screen is fetched when a call has become a meeting. */
export const fetchPicturing = () => import('@/office/picturing');

export const screenFailed = 'The screen can’t be shared now. The call goes on.';
const screenSounds =
  'What you share is heard as well. Its sound goes with your voice: muted, nobody hears either.';
export const notFetched =
  'This part of the app has not been fetched, and there is no network now. The call goes on.';
export const noScreen = 'This browser can’t share its screen: on a computer it can.';

/** The acts of the meeting that a call has become; null where it is none. */
export function useMeetingActs(
  view: CallView | undefined,
  open: (sheet: OpenSheet) => void,
  all: { isOn: boolean; toggle: () => void } | null,
): ActGroup | null {
  const dispatch = useAppDispatch();
  const { pictures } = useServices();
  const meeting = view ? meetingOf(view) : null;
  if (!view || !meeting) return null;
  const { legId } = view.me;
  const shows = (kind: 'camera' | 'screen') =>
    meeting.pictures.some((each) => each.isMine && each.kind === kind);
  const hasHand = meeting.hands.includes(legId);
  const shareScreen = async () => {
    const picturing = await fetchPicturing().catch(() => null);
    if (!picturing) return void dispatch(actRefused(notFetched));
    if (!picturing.canShareScreen()) return void dispatch(actRefused(noScreen));
    try {
      const stream = await picturing.openScreen();
      const isShown = await pictures?.show(legId, 'screen', stream);
      if (isShown && stream.getAudioTracks().length > 0) dispatch(actDone(screenSounds));
    } catch (error) {
      // Whoever closes the browser's own question has decided; there is nothing to say.
      if (picturing.pictureFaultOf(error) !== 'refused') dispatch(actRefused(screenFailed));
    }
  };
  const camera: CallAct = {
    word: 'Picture',
    isOn: shows('camera'),
    onPress: () => (shows('camera') ? pictures?.stop(legId, 'camera') : open({ kind: 'camera', view })),
  };
  const screen: CallAct = {
    word: 'Screen',
    isOn: shows('screen'),
    onPress: () => (shows('screen') ? pictures?.stop(legId, 'screen') : void shareScreen()),
  };
  const hand: CallAct = {
    word: 'Hand',
    isOn: hasHand,
    onPress: () =>
      void dispatch(
        send({
          ...{ type: 'inMeeting', legId },
          act: hasHand ? { act: 'lowerHand', otherLegId: legId } : { act: 'raiseHand' },
        }),
      ),
  };
  return {
    name: 'Meeting',
    acts: [
      camera,
      screen,
      hand,
      { word: 'React', onPress: () => open({ kind: 'react', view }) },
      { word: peopleWord(meeting), onPress: () => open({ kind: 'meeting', view }) },
      ...(all ? [{ word: 'The rest', isOn: all.isOn, onPress: all.toggle }] : []),
    ],
  };
}

/** Raised hands are not overlooked. */
const peopleWord = ({ hands }: MeetingView) => (hands.length > 0 ? `People ${hands.length}` : 'People');
