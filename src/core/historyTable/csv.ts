import Papa from 'papaparse';

import type { CallRecord } from '../exchange';
import { deviceName, type OfficeIndex } from '../office';
import { describeOutcome, talkMs } from '../history';

const microsPerUnit = 1_000_000;

/**
 * Records as CSV (RFC 4180: commas, quotes doubled, lines ended by CRLF), times in UTC (ISO 8601), lengths in seconds.
 * A cell that a spreadsheet would take for a formula, such as a number with its plus, begins with an apostrophe.
 */
export function historyCsv(records: readonly CallRecord[], office: OfficeIndex): string {
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
    new Date(record.startedAt).toISOString(),
    new Date(record.endedAt).toISOString(),
    record.direction,
    describeOutcome(record, office),
    office.lines.get(record.lineId ?? '')?.name ?? '',
    record.other.number ?? 'withheld',
    record.other.name ?? '',
    Math.round(talkMs(record) / 1000),
    Math.round(record.messageMs / 1000),
    record.deviceId === null ? '' : deviceName(record.deviceId, office),
    (record.costMicros / microsPerUnit).toFixed(4),
    record.recordings.length,
  ]);
  return Papa.unparse({ fields, data }, { newline: '\r\n', escapeFormulae: true });
}
