import { actDone, selectTaken, soundOffered, whenChanged, type AppStore, type Services } from '@/state/app';
import { deviceNow, pluggedIn, soundDevicesOf, type ListedDevice } from '@/office/sound';

/**
 * Sends the sound to the devices that were chosen, whenever they are plugged in; offers what has been plugged in; and says when a chosen one
 * is gone: the call goes on with the next best, and back when it is there again.
 */
export function startSoundDevices(store: AppStore, { player }: Pick<Services, 'player'>): () => void {
  const { mediaDevices } = navigator;
  if (!mediaDevices) return () => undefined;
  let before: readonly ListedDevice[] | null = null;
  const used = { speaker: '', ringer: '' };
  const gone = new Set<string>();

  const follow = async () => {
    const now = await mediaDevices.enumerateDevices();
    const { settings } = store.getState();
    const hearing = soundDevicesOf(now, 'audiooutput');
    const speaker = deviceNow(settings.speaker, hearing)?.id ?? '';
    const ringer = deviceNow(settings.ringer, hearing)?.id ?? '';
    if (speaker !== used.speaker) void player?.useSpeaker(speaker || null);
    if (ringer !== used.ringer) void player?.useRinger(ringer || null);
    Object.assign(used, { speaker, ringer });
    if (before !== null) tell(before, now);
    before = now;
  };

  const tell = (earlier: readonly ListedDevice[], now: readonly ListedDevice[]) => {
    const state = store.getState();
    const { microphone, speaker } = state.settings;
    for (const [kind, chosen] of [['audiooutput', speaker] as const, ['audioinput', microphone] as const]) {
      const wasThere = deviceNow(chosen, soundDevicesOf(earlier, kind)) !== null;
      const isThere = deviceNow(chosen, soundDevicesOf(now, kind)) !== null;
      if (chosen === null || wasThere === isThere) continue;
      const isInCall = selectTaken(state).length > 0;
      if (!isThere && !gone.has(chosen.name))
        store.dispatch(
          actDone(
            `${chosen.name || 'The chosen sound device'} is gone. ${isInCall ? 'The call goes on by' : 'Calls go by'} this device’s own choice until it is back.`,
          ),
        );
      if (isThere) gone.delete(chosen.name);
      else gone.add(chosen.name);
    }
    const offer = pluggedIn(earlier, now);
    // What is chosen already is used again by itself.
    if (offer && offer.name !== speaker?.name && offer.name !== microphone?.name)
      store.dispatch(soundOffered(offer));
    else if (state.notices.soundOffer && !now.some(({ label }) => label === state.notices.soundOffer?.name))
      store.dispatch(soundOffered(null));
  };

  const changed = () => void follow();
  mediaDevices.addEventListener('devicechange', changed);
  changed();
  const stops = (['speaker', 'ringer'] as const).map((which) =>
    whenChanged(store, ({ settings }) => settings[which], changed),
  );
  return () => {
    mediaDevices.removeEventListener('devicechange', changed);
    stops.forEach((stop) => stop());
  };
}
