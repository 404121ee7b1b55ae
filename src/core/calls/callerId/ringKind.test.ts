import { openOffice, testSetup } from '@/core/calls/exchange/tests/testOffice';
import { plainQueue, type OfficeSetup } from '@/core/setup';

import { ringKindOf } from '.';

const [line] = testSetup.lines;
if (!line) throw new Error('No line');
const number = '+447700900123';
const starred = { id: 'star', name: 'Star', starred: true, numbers: [number] };

function kindOf(
  to: string,
  from: { kind: 'outside'; number: string | null } | { kind: 'device'; deviceId: string },
  change: Partial<OfficeSetup> = {},
) {
  const office = openOffice({ ...testSetup, callerGroups: [], ...change });
  const caller = from.kind === 'outside' ? { ...from, name: null } : from;
  office.send({ type: 'make', from: caller, to }, 0);
  const call = [...office.exchange.calls.values()].at(-1);
  if (!call) throw new Error('No call');
  return ringKindOf(call, office.exchange.office);
}
const outside = { kind: 'outside', number } as const;

describe('as what a call rings', () => {
  it('is its line where that is urgent, whoever calls', () => {
    const lines = testSetup.lines.map((each) => ({ ...each, urgent: each.id === line.id }));
    expect(kindOf(line.number, outside, { lines, callerGroups: [starred] })).toBe('urgent');
  });

  it('is its caller where they are starred, and anybody else from outside', () => {
    const lines = testSetup.lines.map((each) => ({ ...each, urgent: false }));
    expect(kindOf(line.number, outside, { lines, callerGroups: [starred] })).toBe('starred');
    expect(kindOf(line.number, outside, { lines })).toBe('customer');
    expect(kindOf(line.number, { kind: 'outside', number: null }, { lines, callerGroups: [starred] })).toBe(
      'customer',
    );
  });

  it('is a colleague, unless they call a team, whether it waits in a queue or not', () => {
    expect(kindOf('201', { kind: 'device', deviceId: 'ada-desk' })).toBe('colleague');
    const team = { id: 'crew', name: 'Crew', extension: '255', memberIds: ['ben'] };
    for (const crew of [team, { ...team, queue: plainQueue }])
      expect(kindOf('255', { kind: 'device', deviceId: 'ada-desk' }, { teams: [crew] })).toBe('team');
  });
});
