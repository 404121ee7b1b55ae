import { z } from 'zod';

import { emptyOffice } from './emptyOffice';
import { e164Schema, type OfficeSetup } from './setup';

function isZone(zone: string): boolean {
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
  extension: z.string().regex(/^2\d\d$/, 'Extensions here are three figures that begin with 2.'),
  lineName: named('what the line is for'),
  /** E.164. */
  number: e164Schema,
});
export type NewOffice = z.infer<typeof newOfficeSchema>;

const firstId = 'p1';
const firstDeviceId = `${firstId}-app`;
const mailboxAfterSeconds = 25;

/** An office of one person, whose app rings for one line and for their extension; what nobody takes goes to their mailbox. */
export function newOffice(asked: NewOffice): OfficeSetup {
  const { name, zone, personName, extension, lineName, number } = newOfficeSchema.parse(asked);
  return {
    ...emptyOffice,
    name,
    zone,
    people: [{ id: firstId, name: personName, role: 'Runs the office', extension, presentedLineId: 'l1' }],
    lines: [
      {
        ...{ id: 'l1', name: lineName, number, ownerId: firstId, urgent: false, texts: true, faxes: true },
        cord: { hue: 0, stroke: 'solid' },
      },
    ],
    devices: [{ id: firstDeviceId, personId: firstId, kind: 'app', name: 'Cendro', callLimit: 6 }],
    ringPlans: [
      {
        personId: firstId,
        rules: [
          {
            ...{ id: `${firstId}-any`, name: 'Any call', lineIds: [] },
            stages: [
              {
                length: { seconds: mailboxAfterSeconds },
                targets: [{ deviceId: firstDeviceId, startSeconds: 0 }],
              },
            ],
            finish: { kind: 'mailbox', personId: firstId },
          },
        ],
      },
    ],
    parkSlots: ['1', '2', '3'],
  };
}
