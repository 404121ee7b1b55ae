/** Hours and days off as they are typed and said. */
export { daysAfter, hoursWords } from './hoursWords';
export { daysOffWords, readDaysOff, readHours } from './readHours';
