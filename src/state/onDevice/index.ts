/** The app on this device: kept so that it opens with no network, what it takes of the device, its badge and its screen. */
export { askToStay, roomUsed, type RoomUsed } from './room';
export { startOnDevice } from './startOnDevice';
