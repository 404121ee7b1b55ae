/** Ring plans, hours and offices as files: CPL (RFC 3880), iCalendar (RFC 5545), JSON. */
export { readCalendar, writeCalendar, type CalendarNote, type ReadCalendar } from './calendar';
export { readCpl, writeCpl, type CplNote, type ReadCpl } from './cpl';
export { readPlansFile, type ReadPlansFile } from './readFile';
export { fileSchemas, readPlanFile, writeOfficeFile, writePlanFile, type ReadPlanFile } from './planFile';
