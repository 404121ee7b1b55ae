import ICAL from 'ical.js';

import type { RingPlan } from '@/core/setup';
import { timesOf } from '../times';
import { zoneComponent } from './zoneComponent';

/** Before the first event that is written. */
const rulesFrom = Date.UTC(2024, 0, 1);

/**
 * A plan's working week and days off as an iCalendar file (RFC 5545). Hours are weekly events in the office's zone,
 * whose rules stand in the file; days off are events of whole days. `now` (epoch milliseconds) stamps them.
 */
export function writeCalendar(plan: RingPlan, zone: string, now: number): string {
  const calendar = new ICAL.Component('vcalendar');
  calendar.updatePropertyWithValue('prodid', '-//Cendro//Hours//EN');
  calendar.updatePropertyWithValue('version', '2.0');
  calendar.addSubcomponent(zoneComponent(zone, rulesFrom, now));
  const stamp = ICAL.Time.fromJSDate(new Date(now), true);
  const event = (uid: string, summary: string) => {
    const component = new ICAL.Component('vevent');
    component.updatePropertyWithValue('uid', `${uid}@office.invalid`);
    component.updatePropertyWithValue('dtstamp', stamp);
    component.updatePropertyWithValue('summary', summary);
    calendar.addSubcomponent(component);
    return component;
  };
  const timed = (component: ICAL.Component, name: 'dtstart' | 'dtend', value: string) => {
    const property = component.updatePropertyWithValue(
      name,
      ICAL.Time.fromString(`${iso(value)}`, undefined as never),
    );
    property.setParameter('tzid', zone);
  };
  timesOf.windows(plan.workingHours ?? []).forEach((time, index) => {
    const component = event(`hours-${plan.personId}-${index}`, 'Working hours');
    timed(component, 'dtstart', time['dtstart'] ?? '');
    timed(component, 'dtend', time['dtend'] ?? '');
    component.updatePropertyWithValue(
      'rrule',
      ICAL.Recur.fromString(`FREQ=WEEKLY;BYDAY=${time['byday'] ?? ''}`),
    );
    component.updatePropertyWithValue('transp', 'TRANSPARENT');
  });
  (plan.daysOff ?? []).forEach(({ from, name }, index) => {
    const [time] = timesOf.days([plan.daysOff?.[index] ?? { from, to: from }]);
    const component = event(`off-${plan.personId}-${index}`, name === '' ? 'Day off' : name);
    component.updatePropertyWithValue('dtstart', ICAL.Time.fromDateString(from));
    component.updatePropertyWithValue(
      'dtend',
      ICAL.Time.fromDateString(iso(time?.['dtend'] ?? '').slice(0, 10)),
    );
  });
  return `${calendar.toString()}\r\n`;
}

/** "20240108T080000" as "2024-01-08T08:00:00". */
const iso = (compact: string) =>
  compact.replace(/^(\d{4})(\d{2})(\d{2})T(\d{2})(\d{2})(\d{2})$/, '$1-$2-$3T$4:$5:$6');
