import { base64ToUint8Array } from 'uint8array-extras';

import {
  identifyEndpoint,
  selectMyId,
  selectNames,
  selectOffice,
  type AppStore,
  type Duties,
  type Services,
} from '@/state/app';

import type { Vault } from '../storage';
import { fetchClip } from './clips';
import { RecordingSound } from './recordingSound';
import { mixVoicemail } from './voicemailSound';

interface Context {
  store: AppStore;
  services: Services;
  vault: Vault;
  duties: Duties;
}

/** Has sounds mixed and played that are kept on this device; those of recordings, by one tab for all. Gives what ends it. */
export function startSounds({ store, services, vault, duties }: Context): () => void {
  services.mixSound = (id) => mixVoicemail(store, services, id);
  services.playSound = async (id) => {
    const sound = await services.readSound(id);
    if (sound) await services.player?.playFile(base64ToUint8Array(sound.wav));
    return sound !== null;
  };
  // Real voices are recorded where they are heard (`VoiceRecordings`).
  if (services.server) return () => undefined;
  const callOf = (id: string) => store.getState().calls.byId[id];
  return duties.add(() => {
    const recordings = new RecordingSound({
      ...{ vault, fetchClip, personId: selectMyId(store.getState()) },
      office: () => selectOffice(store.getState()),
      nameOf: (call, legId) => {
        const leg = call.legs.find(({ id }) => id === legId);
        return leg ? identifyEndpoint(leg, call, selectNames(store.getState())).name : '';
      },
    });
    const stop = services.link?.subscribe((update) => void recordings.follow(update, callOf));
    void recordings.resume().then(() => recordings.mixEnded(callOf));
    return () => stop?.();
  });
}
