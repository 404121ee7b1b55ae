import type { CallRecord } from '@/core/calls/exchange';
import { deviceName, type OfficeIndex } from '@/core/setup';
import { describeOutcome, talkMs } from '@/core/calls/history';
import { formatNumber } from '@/core/numbers/numbering';
import { writeTable } from '@/core/shared/tables';
import { formatIso } from '@/core/shared/time';

const microsPerUnit = 1_000_000;

/**
 * Records as CSV, times in the office's zone with their offset (ISO 8601), lengths in seconds, numbers with their spaces,
 * which a spreadsheet keeps as text. `nameOf` says who the other side is.
 */
export function historyCsv(
  records: readonly CallRecord[],
  office: OfficeIndex,
  nameOf: (record: CallRecord) => string,
): string {
  const { zone } = office.setup;
  const costs = `cost (${office.setup.rates.currency})`;
  const heads = [
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
  const rows = records.map((record) => [
    formatIso(record.startedAt, zone),
    formatIso(record.endedAt, zone),
    record.direction,
    describeOutcome(record, office),
    office.ever.lines.get(record.lineId ?? '')?.name ?? '',
    numberOf(record.other.number, office),
    nameOf(record),
    Math.round(talkMs(record) / 1000),
    Math.round(record.messageMs / 1000),
    record.deviceId === null ? '' : deviceName(record.deviceId, office),
    (record.costMicros / microsPerUnit).toFixed(4),
    record.recordings.length,
  ]);
  return writeTable(heads, rows);
}

function numberOf(number: string | null, { plan }: OfficeIndex): string {
  if (number === null) return 'withheld';
  return number.startsWith('+') ? formatNumber(number, plan) : number;
}
