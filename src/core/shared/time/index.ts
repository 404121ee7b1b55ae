/** Instants in a zone: local days, and how times and lengths are written. */
export {
  clockStyles,
  formatClock,
  setClockStyle,
  type ClockStyle,
  formatClockWithSeconds,
  formatDate,
  formatDay,
  formatDayAndClock,
  formatDuration,
  formatIso,
  formatMoment,
  formatSpan,
  timeName,
} from './format';
export {
  atLocalTime,
  localClock,
  localDayKey,
  localWeekday,
  offsetAt,
  shiftLocalDays,
  startOfLocalDay,
  type LocalClock,
} from './localTime';
export { edgesBetween, isInDates, isInWindows, type DateSpan, type WeekWindow } from './windows';
