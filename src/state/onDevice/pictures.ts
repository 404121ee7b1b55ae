import { selectTaken, whenChanged, type AppStore, type Services } from '@/state/app';

import { MeetingPictures } from './MeetingPictures';

/** Has this device show and see what belongs to its meetings. */
export function startPictures(store: AppStore, services: Services) {
  const pictures = new MeetingPictures(store, services);
  services.pictures = pictures;
  const stopFollowing = whenChanged(store, selectTaken, () => pictures.follow());
  // A page that nobody sees is sent no pictures.
  const visibilityChanged = () => pictures.onSent();
  document.addEventListener('visibilitychange', visibilityChanged);
  pictures.follow();
  return {
    pictures,
    stop: () => {
      stopFollowing();
      document.removeEventListener('visibilitychange', visibilityChanged);
      pictures.end();
    },
  };
}
