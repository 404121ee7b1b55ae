import ICAL from 'ical.js';

import type { WrittenMail } from '@/core/inbox/notifications';
import { formatClock } from '@/core/shared/time';

/** Somebody outside is asked to come to a meeting. Times are epoch milliseconds. */
export interface Invitation {
  /** The meeting’s: who is asked twice has it once in their calendar. */
  meetingId: string;
  officeName: string;
  /** Who asks. */
  personName: string;
  /** The office’s own mail address, which answers go to. */
  from: string;
  to: string;
  /** The link to the meeting, good until `until`. */
  address: string;
  now: number;
  until: number;
  /** IANA, in which the mail says times. */
  zone: string;
}

/** The invitation as a mail with a request that calendars take (iMIP, RFC 6047). */
export function invitationMail(invitation: Invitation): WrittenMail {
  const { officeName, personName, address, until, zone } = invitation;
  return {
    subject: oneLine(`${personName} of ${officeName} asks you to a meeting`),
    text: [
      `${personName} of ${officeName} asks you to a meeting that goes on now.`,
      '',
      `Come by a browser, on a phone or a computer: ${address}`,
      '',
      `Say your name there, and wait until somebody lets you in. The link is good until ${formatClock(until, zone)} (${zone}), or until the meeting ends.`,
      '',
    ].join('\n'),
    attachments: [],
    calendar: calendarRequest(invitation),
  };
}

/** As iCalendar (RFC 5545) with `METHOD:REQUEST` (RFC 5546 §3.2.2); the link as its place, and as RFC 7986 §5.11 has conferences. */
export function calendarRequest(invitation: Invitation): string {
  const { meetingId, officeName, personName, from, to, address, now, until } = invitation;
  const calendar = new ICAL.Component('vcalendar');
  calendar.updatePropertyWithValue('prodid', '-//Cendro//Meetings//EN');
  calendar.updatePropertyWithValue('version', '2.0');
  calendar.updatePropertyWithValue('method', 'REQUEST');
  const event = new ICAL.Component('vevent');
  const set = (name: string, value: string | ICAL.Time) => event.updatePropertyWithValue(name, value);
  set('uid', `${meetingId}@cendro.invalid`);
  set('sequence', '0');
  set('dtstamp', timeOf(now));
  set('dtstart', timeOf(now));
  set('dtend', timeOf(until));
  set('summary', oneLine(`Meeting with ${personName}, ${officeName}`));
  set('description', `Come by a browser: ${address}`);
  set('location', address);
  set('status', 'CONFIRMED');
  set('url', address);
  const conference = new ICAL.Property('conference');
  conference.resetType('uri');
  conference.setParameter('value', 'URI');
  conference.setParameter('feature', 'AUDIO,VIDEO');
  conference.setValue(address);
  event.addProperty(conference);
  const organizer = set('organizer', `mailto:${from}`);
  organizer.setParameter('cn', oneLine(`${personName}, ${officeName}`));
  const attendee = set('attendee', `mailto:${to}`);
  for (const [name, value] of Object.entries({
    role: 'REQ-PARTICIPANT',
    partstat: 'NEEDS-ACTION',
    rsvp: 'TRUE',
  }))
    attendee.setParameter(name, value);
  calendar.addSubcomponent(event);
  return `${calendar.toString()}\r\n`;
}

/** To the second, in UTC. */
const timeOf = (at: number): ICAL.Time => ICAL.Time.fromJSDate(new Date(at), true);

/** Nothing that is typed begins a line of its own in a mail’s head or a calendar. */
const oneLine = (words: string): string => words.replace(/\s+/g, ' ').trim();
