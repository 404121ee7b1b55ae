/** Ring plans as they are written and read: changes, sentences, templates, open formats. */
export { edits, spanOf, type TargetPlace } from './edits';
export { callerWords, conditionWords, daysWords, describeRule, finishWords, targetWords } from './sentences';
export { daysOffWords, hoursWords, readDaysOff, readHours } from './readHours';
export { layOutRule, type LaidStage, type LaidTarget } from './layOut';
export { templatesFor, type PlanTemplate } from './templates';
export { readCalendar, writeCalendar, type CalendarNote, type ReadCalendar } from './calendar';
export { readCpl, writeCpl, xmlLimits, type CplNote, type ReadCpl } from './cpl';
export { fileSchemas, readPlanFile, writeOfficeFile, writePlanFile } from './planFile';
