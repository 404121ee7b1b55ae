import { greetingOf, whatIsHeard } from '@/core/calls/exchange';
import { spokenInQueue } from '@/core/calls/queueing';
import { menuTextAt } from '@/core/setup';
import { languageTagOf } from '@/core/shared/languages';
import type { OfficeUpdate } from '@/office/link';
import type { SoundPlayer } from '@/office/sound';

import { legAt } from './callViews';

import { selectMySound } from './mySound';
import { selectOffice } from './selectors';
import type { Services } from './services';
import { whenChanged, type AppStore, type RootState } from './store';
import { selectMyDeviceId, selectMyId } from './session';

/** Keeps the loudspeaker in step with what this device hears, where this tab is in front. Returns a function that ends it. */
export function startSounding(store: AppStore, player: SoundPlayer): () => void {
  const selectSound = (state: RootState) => (state.office.isInFront ? selectMySound(state) : null);
  player.play(selectSound(store.getState()));
  return whenChanged(store, selectSound, (sound) => player.play(sound));
}

/** The call in which a mailbox speaks to its owner here: it is silent when that ends. */
let inVisit: string | null = null;

/** Sounds that happen once: a digit we sent, words somebody says to us, a mailbox's greeting, a menu's choices. */
export function soundUpdate(
  update: OfficeUpdate,
  state: RootState,
  { player, playSound }: { player: SoundPlayer; playSound: Services['playSound'] },
): void {
  const deviceId = selectMyDeviceId(state);
  const myLeg = (callId: string) => {
    const call = state.calls.byId[callId];
    return call && legAt(call, deviceId);
  };

  if (inVisit !== null && update.endedCallIds.includes(inVisit)) {
    player.hush();
    inVisit = null;
  }
  for (const event of update.events) {
    if (event.type === 'digitsSent' && myLeg(event.callId)?.id === event.legId) {
      for (const digit of event.digits) player.digit(digit);
    }
    if (event.type === 'recordingChanged' && event.recording.state === 'on' && hearsCall(event.callId))
      void player.clip('recording-announcement');
    if (event.type === 'acceptAsked' && myLeg(event.callId)?.id === event.legId)
      void player.clip('accept-prompt');
    // The number of the slot is read out to who parked, whose hands may be full.
    if (event.type === 'parked' && state.calls.byId[event.callId]?.parked?.byId === selectMyId(state))
      void player.clip(`parked-${event.slot}`);
    if (event.type === 'established') greet(event.callId);
    const heard = event.type === 'menuSpoke' ? heardByMe(event.callId) : undefined;
    if (event.type === 'queueTold') tellPlace(event.callId);
    if (event.type === 'visitAsked' || event.type === 'visitSpoke') sayInVisit(event.callId);
    if (event.type === 'menuSpoke' && heard?.kind === 'menu') sayMenu(event.callId, heard.menuId);
    if (event.type === 'pinAsked' && heardByMe(event.callId)?.kind === 'entrance')
      void player.say('Type the PIN, and press hash.');
    if (event.type === 'pinRefused' && heardByMe(event.callId)?.kind === 'entrance')
      void player.say('That was not the PIN. Please wait, and try again.');
  }
  for (const speech of update.speech) {
    const heard = heardByMe(speech.callId);
    if (heard?.kind === 'voices' && heard.legIds.includes(speech.legId)) void player.clip(speech.clip);
  }

  function sayMenu(callId: string, menuId: string): void {
    const { menus, setup } = selectOffice(state);
    const menu = menus.get(menuId);
    const language = state.calls.byId[callId]?.language ?? null;
    const tag = language === null ? null : languageTagOf(language);
    if (menu) void player.say(menuTextAt(menu, update.at, setup.zone, language), tag ?? undefined);
  }

  function sayInVisit(callId: string): void {
    const visit = state.calls.byId[callId]?.legs.find((leg) => leg.visit && leg.state === 'connected')?.visit;
    if (!visit || heardByMe(callId)?.kind !== 'visit') return;
    const { text, voicemailId } = visit.says;
    inVisit = callId;
    // Another key ends it, and what it led to.
    void player.say(text).then((isWhole) => isWhole && voicemailId !== null && playSound(voicemailId));
  }

  function tellPlace(callId: string): void {
    const { queued } = state.calls.byId[callId] ?? {};
    const queue = queued && selectOffice(state).teams.get(queued.teamId)?.queue;
    if (queue && heardByMe(callId)?.kind === 'queue')
      void player.say(spokenInQueue(queue, queued.told, false));
  }

  function greet(callId: string): void {
    const call = state.calls.byId[callId];
    const heard = heardByMe(callId);
    if (!call || heard?.kind !== 'greeting' || heard.personId === null) return;
    const greeting = greetingOf(selectOffice(state), call, heard.personId, update.at);
    if (!greeting) void player.clip('mailbox-greeting');
    else if (!greeting.recorded) void player.say(greeting.text);
    else void playSound(greeting.recorded.soundId);
  }

  /** Whether this device is on that call and would hear what is said to all. */
  function hearsCall(callId: string): boolean {
    return myLeg(callId)?.state === 'connected';
  }

  function heardByMe(callId: string) {
    const call = state.calls.byId[callId];
    return call && whatIsHeard(call)[myLeg(callId)?.id ?? ''];
  }
}
