import fc from 'fast-check';
import { strFromU8, strToU8 } from 'fflate';

import { sampleContacts, sampleOffice } from '@sample';

import { readArchive, writeArchive } from '@/core/shared/archive';
import { readPastDay, readSpan, readUntil, readWhen } from '@/core/shared/parseTime';
import { interpretDialled, parseTelUri } from '@/core/numbers/numbering';
import { OfficeIndex } from '@/core/setup';
import { readCsvPeople, readCsvTable, readVCards } from '@/core/people/files';
import {
  readCalendar,
  readCpl,
  readPlanFile,
  writeCalendar,
  writeCpl,
  writePlanFile,
} from '@/core/plans/files';
import { readDaysOff, readHours } from '@/core/plans/hours';
import { decodeWav, encodeWav } from '@/core/shared/soundFiles';
import { readWebVtt, writeWebVtt } from '@/core/inbox/captions';

/**
 * Every reader of what comes from elsewhere, given what it never asked for: it may refuse, but neither throw nor take long.
 * `npm run fuzz` tries 20,000 inputs of each; what fails is made as small as it goes, and its seed is told.
 */
const runs = Number(process.env['CENDRO_FUZZ_RUNS'] ?? 120);
/** No input of this size is worth more. */
const longestMs = 3_000;

const now = Date.UTC(2026, 10, 26, 10, 40);
const zone = 'Europe/London';
const office = new OfficeIndex(sampleOffice);
const plan = sampleOffice.ringPlans.find(({ personId }) => personId === 'maren');
if (!plan) throw new Error('The sample has no plan');
const [contact] = sampleContacts;

/** What readers stumble over. */
const hostile = [
  '', ' ', '\n', '\r', '\0', '\uFEFF', '\u2028', '\uD800', '"', "'", '<', '>', '&', '&#0;', '<?xml', '<![CDATA[',
  '<__proto__>', '__proto__', 'constructor', '{"toString":1}', 'null', 'NaN', '1e999', '-1', '-0', '999999999999',
  '%zz', '%00', ';', ',', ':', '=', '\\', 'BEGIN:VEVENT', 'END:VCARD', 'RRULE:FREQ=SECONDLY', 'RRULE:FREQ=DAILY;BYMONTH=2;BYMONTHDAY=31',
  '\0\0\0\0', 'labl\0\0\0\0', '"version":{"toString":1},', 'INTERVAL=0', 'TZID=Nowhere/None', '20261332T256199', '-->', '9'.repeat(400), '<'.repeat(5_000), '['.repeat(5_000),
  '('.repeat(500), 'a,'.repeat(30_000), ' '.repeat(5_000), '\n'.repeat(5_000),
] as const; // prettier-ignore

/** A change of a text or of bytes: at some share of its length, so much is cut out and that is put in. */
interface Change {
  at: number;
  cut: number;
  put: string;
}
const change: fc.Arbitrary<Change> = fc.record({
  at: fc.double({ min: 0, max: 1, noNaN: true }),
  cut: fc.integer({ min: 0, max: 40 }),
  put: fc.oneof(
    fc.constantFrom(...hostile),
    fc.string({ unit: 'binary', maxLength: 6 }),
    fc.constant('copy'),
  ),
});
const changes = fc.array(change, { maxLength: 6 });

function changed(text: string, all: readonly Change[]): string {
  return all.reduce((so, { at, cut, put }) => {
    const place = Math.floor(at * so.length);
    const piece = put === 'copy' ? so.slice(place, place + cut * 20) : put;
    return so.slice(0, place) + piece + so.slice(place + cut);
  }, text);
}

const latin1 = (bytes: Uint8Array) => strFromU8(bytes, true);
const inBytes = (text: string) => strToU8(text, true);
const mailAndCard = [
  'BEGIN:VCARD\r\nVERSION:3.0\r\nN:Anstey;Peg;;;\r\nFN:Peg Anstey\r\nitem1.TEL;TYPE=CELL:+441174960155\r\nitem1.X-ABLabel:farm\r\nPHOTO;ENCODING=b;TYPE=PNG:iVBORw0KGgo=\r\nCATEGORIES:Farms,North\r\nNOTE:two\\nlines\r\nEND:VCARD\r\n',
  'BEGIN:VCARD\nVERSION:2.1\nN;CHARSET=UTF-8;ENCODING=QUOTED-PRINTABLE:M=C3=BCller;J=C3=B6rg\nTEL;HOME:0131 496 0142\nEND:VCARD\n',
].join('');

/** Each reader with what it reads gladly. */
const readers: readonly [name: string, seed: string, read: (text: string) => unknown][] = [
  ['an archive', latin1(writeArchive([{ path: 'data/a.jsonl', bytes: strToU8('{"v":1}\n{"a":1}') }], now)), (text) => readArchive(inBytes(text))],
  ['a WAV file', latin1(encodeWav(new Float32Array(40), 8000, [{ atSeconds: 0.001, text: 'gate' }])), (text) => decodeWav(inBytes(text))],
  ['WebVTT', writeWebVtt([{ text: 'Hello', from: 0, to: 0.5 }, { text: 'there.', from: 0.5, to: 1 }]), (text) => readWebVtt(text)],
  ['a calendar', writeCalendar(plan, zone, now), (text) => readCalendar(text, zone, now)],
  ['a CPL script', writeCpl(plan, office).text, (text) => readCpl(text, plan, office, now)],
  ['a plan as JSON', writePlanFile(plan), (text) => readPlanFile(text, 'maren', office)],
  ['vCards', mailAndCard, (text) => readVCards(text, office.plan)],
  ['a table of people', `Name,Firm,Number,Mail,Group\n${contact?.name ?? ''},Farm,0131 496 0142,a@b.example,"x; y"\n`, (text) => {
    const table = readCsvTable(text);
    return 'problem' in table ? table : readCsvPeople(table, table.fields, office.plan);
  }],
  ['a tel link', 'tel:+441314960142;ext=9;phone-context=example.com,,12%23', (text) => parseTelUri(text)],
  ['a number', '+44 (0)131 496-0142 ext 9,,12#', (text) => interpretDialled(text, office.plan)],
  ['a time', 'tomorrow 8:00', (text) => [readWhen(text, now, zone), readSpan(text, now, zone), readUntil(text, now, zone), readPastDay(text, now, zone)]],
  ['hours', 'Mon–Fri 8:00–17:00, Sat 22:00–6:00', (text) => [readHours(text), readDaysOff(text)]],
]; // prettier-ignore

describe('a reader given what it never asked for neither throws nor hangs', () => {
  it.each(readers)('%s', (_, seed, read) => {
    fc.assert(
      fc.property(changes, (all) => {
        const text = changed(seed, all);
        const began = performance.now();
        read(text);
        expect(performance.now() - began).toBeLessThan(longestMs);
      }),
      { numRuns: runs },
    );
  });
});
