/** Hours, days off and meetings as iCalendar files (RFC 5545). */
export { readCalendar, type CalendarNote, type ReadCalendar } from './readCalendar';
export { writeCalendar } from './writeCalendar';
