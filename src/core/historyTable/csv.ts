import Papa from 'papaparse';

import type { CallRecord } from '../exchange';
import { deviceName, type OfficeIndex } from '../office';
import { describeOutcome, talkMs } from '../history';
import { formatNumber, ukOfficePlan } from '../numbering';
import { formatIso } from '../time';

const microsPerUnit = 1_000_000;

/**
 * Records as CSV (RFC 4180: commas, quotes doubled, lines ended by CRLF), times in the office's zone with their offset
 * (ISO 8601), lengths in seconds, numbers with their spaces, which a spreadsheet keeps as text. A cell that it would take
 * for a formula begins with an apostrophe. `nameOf` says who the other side is.
 */
export function historyCsv(
  records: readonly CallRecord[],
  office: OfficeIndex,
  nameOf: (record: CallRecord) => string,
): string {
  const { zone } = office.setup;
  const costs = `cost (${office.setup.rates.currency})`;
  const fields = [
    'began',
    'ended',
    'direction',
    'outcome',
    'line',
    'number',
    'name',
    'talked (s)',
    'message (s)',
    'device',
    costs,
    'recordings',
  ];
  const data = records.map((record) => [
    formatIso(record.startedAt, zone),
    formatIso(record.endedAt, zone),
    record.direction,
    describeOutcome(record, office),
    office.lines.get(record.lineId ?? '')?.name ?? '',
    numberOf(record.other.number),
    nameOf(record),
    Math.round(talkMs(record) / 1000),
    Math.round(record.messageMs / 1000),
    record.deviceId === null ? '' : deviceName(record.deviceId, office),
    (record.costMicros / microsPerUnit).toFixed(4),
    record.recordings.length,
  ]);
  return Papa.unparse({ fields, data }, { newline: '\r\n', escapeFormulae: true });
}

function numberOf(number: string | null): string {
  if (number === null) return 'withheld';
  return number.startsWith('+') ? formatNumber(number, ukOfficePlan) : number;
}
