import { recordSchema } from '@/core/calls/exchange';
import { isUntaken } from '@/core/calls/history';
import { officeSetupSchema } from '@/core/setup';
import { contactSchema } from '@/core/people/contacts';
import { localDayKey, localWeekday, startOfLocalDay } from '@/core/shared/time';

import { sampleCast, sampleContacts, sampleOffice } from '..';
import { generateHistory } from '../history';

const now = Date.UTC(2026, 10, 26, 10, 40);
const { zone } = sampleOffice;
const history = generateHistory(now);
const hour = 3_600_000;

const fictional = [
  /^\+44(131496|117496|191498)0\d{3}$/,
  /^\+447700900\d{3}$/,
  /^\+448081570\d{3}$/,
  /^\+120255501\d{2}$/,
  /^\+61491570\d{3}$/,
];

describe('the sample firm', () => {
  it('fits the schemas, and everything it refers to is there', () => {
    expect(officeSetupSchema.parse(sampleOffice)).toEqual(sampleOffice);
    expect(sampleContacts.map((contact) => contactSchema.parse(contact))).toEqual(sampleContacts);
    const people = new Set(sampleOffice.people.map(({ id }) => id));
    const devices = new Set(sampleOffice.devices.map(({ id }) => id));
    const lines = new Set(sampleOffice.lines.map(({ id }) => id));
    for (const { presentedLineId } of sampleOffice.people) expect(lines).toContain(presentedLineId);
    for (const { ownerId } of sampleOffice.lines) expect(people).toContain(ownerId);
    for (const { personId, rules } of sampleOffice.ringPlans) {
      expect(people).toContain(personId);
      for (const rule of rules) {
        for (const lineId of rule.lineIds) expect(lines).toContain(lineId);
        for (const { targets } of rule.stages)
          for (const target of targets) if ('deviceId' in target) expect(devices).toContain(target.deviceId);
      }
    }
  });

  it('no two lines have the same cord', () => {
    const cords = sampleOffice.lines.map(({ cord }) => `${cord.hue} ${cord.stroke}`);
    expect(new Set(cords).size).toBe(cords.length);
  });

  it('uses only numbers kept free for drama', () => {
    const numbers = [
      ...sampleOffice.lines.map(({ number }) => number),
      ...sampleContacts.flatMap((contact) => contact.numbers.map(({ number }) => number)),
      ...history.records.flatMap(({ other }) => (other.number?.startsWith('+') ? [other.number] : [])),
    ];
    const strangers = numbers.filter((number) => !fictional.some((range) => range.test(number)));
    expect(new Set(strangers)).toEqual(new Set());
  });

  it('every clip a stand-in can say exists', () => {
    const named = [
      ...Object.values(sampleCast.scripts).flatMap((script) =>
        script.kind === 'answers' ? [script.clip] : [],
      ),
      ...Object.values(sampleCast.callerClips),
      ...Object.values(sampleCast.menus).flatMap((menu) => [
        menu.greeting,
        menu.wrongKey,
        ...Object.values(menu.choices).map(({ clip }) => clip),
      ]),
      sampleCast.messageClip,
    ];
    for (const clip of named) expect(sampleCast.clips).toHaveProperty(clip);
  });
});

describe('ninety days of calls', () => {
  it('are always the same', () => {
    expect(generateHistory(now)).toEqual(history);
  });

  it('fit the schema, and each has an id of its own', () => {
    for (const record of history.records) expect(recordSchema.parse(record)).toEqual(record);
    expect(new Set(history.records.map(({ id }) => id)).size).toBe(history.records.length);
  });

  it('are about 25 a day, in working hours, few at weekends', () => {
    const calls = new Map(history.records.map((record) => [record.callId, record.startedAt]));
    const perDay = calls.size / 90;
    expect(perDay).toBeGreaterThan(20);
    expect(perDay).toBeLessThan(30);
    const starts = [...calls.values()];
    const inHours = starts.filter((at) => {
      const hours = (at - startOfLocalDay(at, zone)) / hour;
      return hours >= 8 && hours < 18;
    });
    expect(inHours.length / starts.length).toBeGreaterThan(0.9);
    const weekend = starts.filter((at) => [0, 6].includes(localWeekday(at, zone)));
    expect(weekend.length / starts.length).toBeLessThan(0.1);
    expect(new Set(starts.map((at) => localDayKey(at, zone))).size).toBeGreaterThan(60);
  });

  it('hold taken and missed calls, mailboxes, busy ones, and callers who try again', () => {
    const mine = history.records.filter(({ personId }) => personId === 'maren');
    const outcomes = new Set(mine.map(({ outcome }) => outcome));
    for (const outcome of [
      'answered',
      'missed',
      'answeredByOther',
      'mailbox',
      'busy',
      'cancelled',
    ] as const) {
      expect(outcomes).toContain(outcome);
    }
    // At the van phone by the key that takes a call.
    expect(mine.filter(({ deviceId }) => deviceId === 'maren-mobile').length).toBeGreaterThan(5);
    const again = mine.filter(
      (record, index) =>
        isUntaken(record) &&
        mine
          .slice(index + 1, index + 8)
          .some(({ other }) => other.number !== null && other.number === record.other.number),
    );
    expect(again.length).toBeGreaterThan(20);
  });

  it('end with nobody on the line, and before now', () => {
    expect(history.exchange.calls).toEqual([]);
    expect(Math.max(...history.records.map(({ endedAt }) => endedAt))).toBeLessThanOrEqual(now);
  });

  it('tell this morning’s story: Cawder’s third try left 25 seconds on the flood desk twelve minutes ago', () => {
    const cawder = history.records.filter(
      ({ personId, lineId, other, startedAt }) =>
        personId === 'maren' &&
        lineId === 'flood' &&
        other.number === '+441914980162' &&
        startedAt > now - hour,
    );
    expect(cawder.map(({ outcome }) => outcome)).toEqual(['missed', 'missed', 'missed']);
    expect(cawder.at(-1)).toMatchObject({ startedAt: now - 12 * 60_000, messageMs: 25_000 });
  });
});
