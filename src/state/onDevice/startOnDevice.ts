import type { AppStore, Services } from '@/state/app';
import { startTested } from '@/state/connection';

import { startBadge, startStayingAwake } from './awake';
import { startCallHabits } from './callHabits';
import { startKeepingApp } from './keeping';
import { showWhatWaits, startKeepingView } from './keepingView';
import { startLocking } from './locking';
import { startPictures } from './pictures';
import { startPlaceWatch } from './placeWatch';
import { startSoundDevices } from './soundDevices';
import { startVibrating } from './vibrating';
import { startVoices } from './voices';

/** What this device does for the app, from the start of the app on. */
export function startOnDevice({ store, services }: { store: AppStore; services: Services }): () => void {
  startKeepingApp(store);
  void showWhatWaits(store, services);
  const { pictures, stop } = startPictures(store, services);
  const stops = [
    stop,
    startStayingAwake(store),
    startBadge(store, services),
    startVibrating(store),
    startSoundDevices(store, services),
    startCallHabits(store),
    startPlaceWatch(store, services),
    startLocking(store),
    startVoices(store, services, pictures),
    startTested(store),
    startKeepingView(store, services),
  ];
  return () => stops.forEach((stop) => stop());
}
