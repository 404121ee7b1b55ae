/** What plays the stand-ins: for the host of an office alone. */
export { StandIns } from './StandIns';
