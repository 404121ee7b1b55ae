/** Time is drawn: seconds of ringing and hours of a day, on one kind of ruled scale. */
export { DayScale, type DayMark } from './DayScale';
export type { PullTrack } from './PullBar';
export { PullScale, type PullStage } from './PullScale';
export { RingScale, type RingTrack } from './RingScale';
export { WeekScale, type WeekBlock } from './WeekScale';
