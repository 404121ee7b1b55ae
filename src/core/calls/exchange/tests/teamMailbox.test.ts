import type { OfficeSetup } from '@/core/setup';
import { OfficeIndex } from '@/core/setup';
import { describeRoute } from '@/core/calls/history';
import { meaningOf } from '@/core/inbox/looseEnds';
import { whatIsHeard } from '../audioPaths';
import type { CallRecord } from '../record';
import { customer, openOffice, testSetup } from './testOffice';

/** "Nobody of the yard is here now." is spoken in 3 s, and a beep of 1 s follows. */
const setup: OfficeSetup = {
  ...testSetup,
  teams: testSetup.teams.map((team) => ({ ...team, mailbox: { text: 'Nobody of the yard is here now.' } })),
  lines: [
    ...testSetup.lines,
    { ...testSetup.lines[0]!, id: 'yard', number: '+441314960161', ownerId: 'yard' },
  ],
};

/** Calls the team's line, and lets it ring out. */
function rungOut(given = setup) {
  const office = openOffice(given);
  office.send({ type: 'make', from: customer, to: '+441314960161' }, 0);
  const before = office.advance(29);
  return { office, before, after: office.advance(30) };
}

describe('a team that has a mailbox', () => {
  it('is rung for its time, and then its mailbox answers with its greeting', () => {
    const { office, before, after } = rungOut();
    expect(before.some(({ type }) => type === 'established')).toBe(false);
    expect(after.map(({ type }) => type)).toContain('established');
    const [call] = [...office.exchange.calls.values()];
    expect(call?.finish).toEqual({ kind: 'teamMailbox', teamId: 'yard' });
    const caller = call?.legs.find(({ role }) => role === 'caller');
    expect(call && whatIsHeard(call)[caller?.id ?? '']).toEqual({ kind: 'greeting', personId: null });
    expect(office.advance(33).map(({ type }) => type)).not.toContain('messageStarted');
    expect(office.advance(34).map(({ type }) => type)).toContain('messageStarted');
  });

  it('has its message in the record of every member, who all wait to answer it', () => {
    const { office } = rungOut();
    office.advance(34);
    const [call] = [...office.exchange.calls.values()];
    const caller = call?.legs.find(({ role }) => role === 'caller');
    const events = office.send({ type: 'clear', legId: caller?.id ?? '' }, 44).events;
    const records = events.flatMap((event): CallRecord[] =>
      event.type === 'recordWritten' ? [event.record] : [],
    );
    expect(records.map(({ personId }) => personId).sort()).toEqual(['ben', 'cleo']);
    const index = new OfficeIndex(setup);
    for (const record of records) {
      expect(record.messageMs).toBe(10_000);
      expect(describeRoute(record, index).join(' ')).toContain(
        'The finish was the mailbox of Yard, where a message of 0:10 was left.',
      );
      expect(meaningOf(record, index).tried).toMatchObject({
        kind: 'voicemail',
        teamId: 'yard',
        lengthMs: 10_000,
      });
    }
  });
});

it('a team without a mailbox ends in busy tone', () => {
  const { office } = rungOut({ ...setup, teams: testSetup.teams });
  const [call] = [...office.exchange.calls.values()];
  expect(call?.failure).toBe('userBusy');
});
