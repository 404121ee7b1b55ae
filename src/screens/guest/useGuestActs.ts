import { useState } from 'react';

import type { GuestIn } from '@/core/guests';
import type { GuestCall } from '@/state/guest';

import type { ActGroup, CallAct } from '../call/ActRows';
import { fetchPicturing, noScreen, notFetched, screenFailed } from '../call/meeting/useMeetingActs';

/** What a guest can do in a meeting; and why it was not done, where that is of this browser. */
export function useGuestActs(
  call: GuestCall,
  { legId, isBeside, isMuted, isHeld, pictures, hands }: GuestIn,
  open: (sheet: 'camera' | 'react') => void,
): { group: ActGroup; problem: string | null } {
  const [problem, setProblem] = useState<string | null>(null);
  const shows = (kind: 'camera' | 'screen') =>
    pictures.some((each) => each.legId === legId && each.kind === kind);
  const hasHand = hands.includes(legId);
  const shareScreen = async () => {
    const picturing = await fetchPicturing().catch(() => null);
    if (!picturing) return setProblem(notFetched);
    if (!picturing.canShareScreen()) return setProblem(noScreen);
    try {
      await call.show(legId, 'screen', await picturing.openScreen());
      setProblem(null);
    } catch (error) {
      // Whoever closes the browser's own question has decided; there is nothing to say.
      setProblem(picturing.pictureFaultOf(error) === 'refused' ? null : screenFailed);
    }
  };
  const mute: CallAct = {
    ...{ word: 'Mute', isOn: isMuted, disabled: isHeld },
    onPress: () => void call.act({ do: 'mute', on: !isMuted }),
  };
  const acts: CallAct[] = [
    ...(isBeside ? [] : [mute]),
    {
      ...{ word: 'Picture', isOn: shows('camera') },
      onPress: () => (shows('camera') ? call.stop(legId, 'camera') : open('camera')),
    },
    {
      ...{ word: 'Screen', isOn: shows('screen') },
      onPress: () => (shows('screen') ? call.stop(legId, 'screen') : void shareScreen()),
    },
    {
      ...{ word: 'Hand', isOn: hasHand },
      onPress: () =>
        void call.act({
          do: 'inMeeting',
          act: hasHand ? { act: 'lowerHand', otherLegId: legId } : { act: 'raiseHand' },
        }),
    },
    { word: 'React', onPress: () => open('react') },
  ];
  return { group: { name: 'Meeting', acts }, problem };
}
