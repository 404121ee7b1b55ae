import ICAL from 'ical.js';

import { calendarRequest, invitationMail } from '.';

const now = Date.UTC(2026, 10, 26, 10, 40);
const invitation = {
  ...{ meetingId: 'call-7', officeName: 'Orrin Vale Gauging', personName: 'Maren Oyelaran' },
  ...{ from: 'office@orrin.example', to: 'zofia@kern.example' },
  ...{ address: 'https://office.example/guest#a-secret', now, until: now + 7_200_000, zone: 'Europe/London' },
};

describe('an invitation to a meeting', () => {
  const event = () => {
    const calendar = new ICAL.Component(ICAL.parse(calendarRequest(invitation)));
    expect(calendar.getFirstPropertyValue('method')).toBe('REQUEST');
    const [component] = calendar.getAllSubcomponents('vevent');
    if (!component) throw new Error('There is no event.');
    return component;
  };

  it('is a request that another calendar reads: when, where, who asks and who is asked', () => {
    const component = event();
    const { startDate, endDate, summary, location, uid } = new ICAL.Event(component);
    expect([startDate.toJSDate().getTime(), endDate.toJSDate().getTime()]).toEqual([now, now + 7_200_000]);
    expect([summary, location, uid]).toEqual([
      'Meeting with Maren Oyelaran, Orrin Vale Gauging',
      invitation.address,
      'call-7@cendro.invalid',
    ]);
    expect(component.getFirstPropertyValue('organizer')).toBe('mailto:office@orrin.example');
    const attendee = component.getFirstProperty('attendee');
    expect([attendee?.getFirstValue(), attendee?.getFirstParameter('rsvp')]).toEqual([
      'mailto:zofia@kern.example',
      'TRUE',
    ]);
    expect(component.getFirstPropertyValue('conference')).toBe(invitation.address);
  });

  it('keeps within 75 bytes a line, with the line ends of the standard', () => {
    const lines = calendarRequest(invitation).split('\r\n');
    expect(lines.every((line) => Buffer.byteLength(line) <= 76 && !line.includes('\n'))).toBe(true);
  });

  it('says the same in words, and nothing that is typed begins a line of its own', () => {
    const { subject, text, calendar } = invitationMail({
      ...invitation,
      personName: 'Maren\r\nBcc: everybody@else.example',
    });
    expect(subject).toBe('Maren Bcc: everybody@else.example of Orrin Vale Gauging asks you to a meeting');
    expect(calendar).not.toMatch(/^Bcc/m);
    expect(text).toContain(invitation.address);
    expect(text).toContain('12:40');
  });
});
