/** What this device sounds. */
export { SoundPlayer, type Continuous, type SoundStatus } from './SoundPlayer';
export { deviceNow, pluggedIn, soundDevicesOf, type ListedDevice, type SoundDevice } from './soundDevices';
