import {
  placeDoubted,
  addressSeen,
  selectMyDeviceId,
  whenChanged,
  type AppStore,
  type Services,
} from '@/state/app';
import { selectPlaceOfPhone } from '@/state/place';

/** What the browser tells of its connection (W3C Network Information API), where it does. */
type Tells = { type?: string } & Partial<Pick<EventTarget, 'addEventListener' | 'removeEventListener'>>;
const connection = (): Tells => (navigator as { connection?: Tells }).connection ?? {};

/**
 * A device that comes back to a network, or has another kind of it, may have been carried elsewhere: whoever has said where it is is asked
 * again. A server that hosts the office also tells under which address it sees the device: another one is another network.
 */
export function startPlaceWatch(store: AppStore, { server }: Services): () => void {
  const doubt = () => {
    const state = store.getState();
    if (selectPlaceOfPhone(state, selectMyDeviceId(state)) && !state.settings.isPlaceDoubted)
      store.dispatch(placeDoubted(true));
  };
  let kind = connection().type;
  const changed = () => {
    const { type } = connection();
    if (type !== kind && type !== undefined && type !== 'none') {
      kind = type;
      doubt();
    }
  };
  connection().addEventListener?.('change', changed);
  server?.hearSeenFrom((address) => {
    const { seenFrom } = store.getState().settings;
    if (address === seenFrom) return;
    if (seenFrom !== null) doubt();
    store.dispatch(addressSeen(address));
  });
  const stop = whenChanged(
    store,
    ({ office }) => office.isOnline,
    (isOnline) => isOnline && doubt(),
  );
  return () => {
    connection().removeEventListener?.('change', changed);
    stop();
  };
}
