/** Who is asked to a meeting by mail. Knows calendars, and is for servers alone. */
export { calendarRequest, invitationMail, type Invitation } from './invitation';
