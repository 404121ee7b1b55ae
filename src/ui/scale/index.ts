/** Time is drawn: seconds of ringing and hours of a day, on one kind of ruled scale. */
export { BandScale, type Band } from './BandScale';
export { DayScale, type DayMark } from './DayScale';
export { RingScale, type RingTrack } from './RingScale';
export { ticksOf } from './ticks';
