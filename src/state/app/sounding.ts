import { whatIsHeard } from '@/core/exchange';
import type { OfficeUpdate } from '@/office/link';
import type { SoundPlayer } from '@/office/sound';

import { selectMySound } from './selectors';
import type { AppStore, RootState } from './store';

/** Keeps the loudspeaker in step with what this device hears. Returns a function that ends it. */
export function startSounding(store: AppStore, player: SoundPlayer): () => void {
  const follow = () => player.play(selectMySound(store.getState()));
  follow();
  return store.subscribe(follow);
}

/** Sounds that happen once: a digit we sent, words somebody says to us, a mailbox's greeting. */
export function soundUpdate(update: OfficeUpdate, state: RootState, player: SoundPlayer): void {
  const deviceId = state.office.me?.deviceId;
  const myLeg = (callId: string) =>
    state.calls.byId[callId]?.legs.find(
      ({ endpoint }) => endpoint.kind === 'device' && endpoint.deviceId === deviceId,
    );

  for (const event of update.events) {
    if (event.type === 'digitsSent' && myLeg(event.callId)?.id === event.legId) {
      for (const digit of event.digits) player.digit(digit);
    }
    if (event.type === 'established' && heardByMe(event.callId)?.kind === 'greeting')
      void player.clip('mailbox-greeting');
  }
  for (const speech of update.speech) {
    const heard = heardByMe(speech.callId);
    if (heard?.kind === 'voices' && heard.legIds.includes(speech.legId)) void player.clip(speech.clip);
  }

  function heardByMe(callId: string) {
    const call = state.calls.byId[callId];
    return call && whatIsHeard(call)[myLeg(callId)?.id ?? ''];
  }
}
