export { Gauge, type GaugeState } from './Gauge';
export { Initials, initialsOf } from './Initials';
