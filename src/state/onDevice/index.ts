/** The app on this device: kept so that it opens with no network, what it takes of the device, its badge and its screen. */
export { forgetPassedOn, lookAtPassedOn, type PassedOn } from './passedOn';
export { askToStay, roomUsed, type RoomUsed } from './room';
export { startOnDevice } from './startOnDevice';
