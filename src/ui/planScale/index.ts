/** Scales of a ring plan: seconds whose bars are pulled, and a week of hours. Apart from `scale`, which the start needs. */
export type { PullTrack } from './PullBar';
export { PullScale, type PullStage } from './PullScale';
export { WeekScale, type WeekBlock } from './WeekScale';
