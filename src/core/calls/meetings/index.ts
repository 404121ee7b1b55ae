/** What a meeting adds to a call: pictures, hands, reactions and who decides. Who hears whom stays with the call. */
export { after, whyNot, type Actor, type OwnAct } from './acting';
export { begunMeeting, joinedMeetings, movedEnd, withoutEnd } from './changing';
export { cameBy, withoutBeside, withoutWaiting, type LinkDenial } from './links';
export { Speaking } from './speaking';
export { minutesText, type MinutesLine, type Stay } from './minutes';
export { hostsAmong, type Attending } from './hosts';
export {
  meetingActSchema,
  meetingLimits,
  meetingSchema,
  pictureSchema,
  reactions,
  type Meeting,
  type MeetingAct,
  type MeetingDenial,
  type MeetingLink,
  type Picture,
  type PictureKind,
  type Reaction,
  type Waiting,
} from './meeting';
