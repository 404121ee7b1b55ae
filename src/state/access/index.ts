/** Who is let in: signing in and out, PINs, invitations, and the devices one is signed in on. */
export {
  askAccess,
  deviceName,
  invite,
  isThisDevice,
  selectInvitedUntil,
  selectMyPin,
  selectMySignIns,
  selectPinOf,
  setPin,
  signIn,
} from './access';
export { hasOwnKey, makePasskey, provePasskey } from './passkey';
export { signOutHere, wipeDevice } from './leavingHere';
