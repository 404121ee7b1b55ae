import { z } from 'zod';

import { dialledIn, homeCountries, numberingPlan, ukNumbering } from '@/core/numbers/numbering';

import { emptyOffice } from './emptyOffice';
import type { RingPlan } from './ringPlan';
import { e164Schema, type Device, type OfficeSetup } from './setup';

/** Whether the IANA knows that time zone. */
export function isZone(zone: string): boolean {
  try {
    new Intl.DateTimeFormat('en-GB', { timeZone: zone });
    return true;
  } catch {
    return false;
  }
}
const named = (what: string) => z.string().trim().min(1, `Say ${what}.`).max(60, 'That is too long.');

/** What an office begins with: somebody who runs it, and a line. */
export const newOfficeSchema = z.object({
  name: named('what the office is called'),
  /** IANA time zone. */
  zone: z.string().trim().refine(isZone, 'There is no such time zone. They are written like Europe/London.'),
  personName: named('who you are'),
  extension: z
    .string()
    .regex(numberingPlan(ukNumbering).extension, 'Extensions have three to five figures, and begin with 2.'),
  /** ISO 3166-1. */
  country: z.enum(homeCountries),
  lineName: named('what the line is for'),
  /** E.164. */
  number: e164Schema,
});
export type NewOffice = z.infer<typeof newOfficeSchema>;

const firstId = 'p1';
const firstDeviceId = `${firstId}-app`;
const mailboxAfterSeconds = 25;

/**
 * What somebody begins with: all their phones ring together, and what nobody takes goes to their mailbox. A mobile takes a call by a key,
 * so that its own mailbox never does.
 */
export function firstPlan(personId: string, devices: readonly Pick<Device, 'id' | 'kind'>[]): RingPlan {
  const targets = devices.map(({ id, kind }) => ({
    deviceId: id,
    startSeconds: 0,
    ...(kind === 'mobile' && { acceptKey: true }),
  }));
  const stages = targets.length === 0 ? [] : [{ length: { seconds: mailboxAfterSeconds }, targets }];
  return {
    personId,
    rules: [
      {
        ...{ id: `${personId}-any`, name: 'Any call', lineIds: [], stages },
        finish: { kind: 'mailbox', personId },
      },
    ],
  };
}

/** An office of one person, whose app rings for one line and for their extension; what nobody takes goes to their mailbox. */
export function newOffice(asked: NewOffice): OfficeSetup {
  const { name, zone, personName, extension, country, lineName, number } = newOfficeSchema.parse(asked);
  return {
    ...emptyOffice,
    name,
    zone,
    numbering: { ...ukNumbering, country, emergency: [...dialledIn(country).emergency] },
    people: [
      {
        ...{ id: firstId, name: personName, role: 'Runs the office', extension, presentedLineId: 'l1' },
        administers: true,
      },
    ],
    lines: [
      {
        ...{ id: 'l1', name: lineName, number, ownerId: firstId, urgent: false, texts: true, faxes: true },
        cord: { hue: 0, stroke: 'solid' },
      },
    ],
    devices: [{ id: firstDeviceId, personId: firstId, kind: 'app', name: 'Cendro', callLimit: 6 }],
    ringPlans: [firstPlan(firstId, [{ id: firstDeviceId, kind: 'app' }])],
    parkSlots: ['1', '2', '3'],
  };
}
