import { testSetup } from '@/core/calls/exchange/tests/testOffice';
import type { Voicemail } from '@/core/inbox/voicemail';
import { OfficeIndex } from '@/core/setup';

import { beginVisit, pressInVisit, type VisitStep } from './visiting';

const now = Date.parse('2026-11-26T10:40:00Z');
const hour = 3_600_000;
const alone = new OfficeIndex(testSetup);

const message = (id: string, given: Partial<Voicemail> = {}): Voicemail => ({
  ...{ id, callId: id, mailboxId: 'ada', lineId: null, at: now - hour, durationMs: 20_000, isUrgent: false },
  from: { number: '+441314960142', name: 'Peg Anstey', personId: null },
  ...{ heardAt: null, deletedAt: null, transcript: null, forwarded: null, said: [] },
  ...given,
});

function visit(messages: Voicemail[], office = alone) {
  const voicemails = new Map(messages.map((each) => [each.id, each]));
  let step: VisitStep = beginVisit('ada', { voicemails, office });
  const press = (key: string) => {
    step = pressInVisit(key, { personId: 'ada', ...step }, { voicemails, office, now });
    const { marks } = step;
    const before = marks && voicemails.get(marks.id);
    if (before && marks.as === 'away') voicemails.set(marks.id, { ...before, deletedAt: now });
    if (before && marks.as === 'back') voicemails.set(marks.id, { ...before, deletedAt: null });
    return step;
  };
  return { press, first: step };
}

it('new messages come first, each kind from the oldest on; what is deleted, and others’, not at all', () => {
  const { first } = visit([
    message('heard', { heardAt: now, at: now - 5 * hour }),
    message('new', { at: now - hour }),
    message('older', { at: now - 2 * hour }),
    message('gone', { deletedAt: now }),
    message('his', { mailboxId: 'ben' }),
  ]);
  expect(first.list).toEqual(['older', 'new', 'heard']);
  expect(first.says.text).toMatch(/^You have 2 new messages, and one message heard before\. Press 1/);
});

it('those of one’s teams come after one’s own, new before heard, and say whose they are', () => {
  const teams = testSetup.teams.map((team) => ({ ...team, memberIds: [...team.memberIds, 'ada'] }));
  const inTeam = new OfficeIndex({ ...testSetup, teams });
  const messages = [
    message('yard new', { mailboxId: 'yard', at: now - 9 * hour }),
    message('yard heard', { mailboxId: 'yard', heardAt: now, at: now - 8 * hour }),
    message('own heard', { heardAt: now }),
    message('own new'),
    message('his', { mailboxId: 'ben' }),
  ];
  const { first, press } = visit(messages, inTeam);
  expect(first.list).toEqual(['own new', 'yard new', 'own heard', 'yard heard']);
  expect(first.says.text).toMatch(
    /^You have one new message, and one message heard before\. For Yard: one new message\. Press 1/,
  );
  press('1');
  expect(press('1')).toMatchObject({
    says: { text: 'Message 2 of 4, for Yard, from Peg Anstey, 01:40.', voicemailId: 'yard new' },
    marks: { id: 'yard new', as: 'heard' },
  });
  // Who is in no team has their own alone.
  expect(visit(messages).first.list).toEqual(['own new', 'own heard']);
});

it('1 plays the next, which is heard then, and 2 the same again; at the end it says so', () => {
  const { press } = visit([
    message('a'),
    message('b', { from: { number: null, name: null, personId: null } }),
  ]);
  expect(press('1')).toMatchObject({
    says: { text: 'Message 1 of 2, from Peg Anstey, 09:40.', voicemailId: 'a' },
    marks: { id: 'a', as: 'heard' },
  });
  expect(press('2').says.voicemailId).toBe('a');
  expect(press('1').says.text).toMatch('from somebody who withheld their number');
  expect(press('1').says).toMatchObject({
    voicemailId: null,
    text: expect.stringMatching(/^There are no more/),
  });
  // Going on from the end plays nothing twice.
  expect(press('1').says.voicemailId).toBeNull();
});

it('what is said lasts as long as its words and the message', () => {
  const { press } = visit([message('a', { durationMs: 60_000 })]);
  expect(press('1').lastsMs).toBeGreaterThan(60_000);
  expect(press('0').lastsMs).toBeLessThan(30_000);
});

it('3 deletes what is heard, and has it back; without one it says so', () => {
  const { press } = visit([message('a')]);
  expect(press('3')).not.toHaveProperty('marks');
  press('1');
  expect(press('3').marks).toEqual({ id: 'a', as: 'away' });
  expect(press('3').marks).toEqual({ id: 'a', as: 'back' });
});

it('4 calls back who left it; not who withheld their number', () => {
  const { press } = visit([
    message('a'),
    message('b', { from: { number: null, name: null, personId: null } }),
  ]);
  press('1');
  expect(press('4').calls).toBe('+441314960142');
  press('1');
  expect(press('4')).not.toHaveProperty('calls');
});

it('5 says what callers hear now', () => {
  const plan = alone.ringPlans.get('ada');
  if (!plan) throw new Error('Ada has a plan.');
  const greetings = [{ id: 'g', name: 'Out', text: 'I am on the hill.' }];
  const withGreeting = alone.withPlan({ ...plan, greetings });
  const step = pressInVisit(
    '5',
    { personId: 'ada', list: [], at: -1 },
    { voicemails: new Map(), office: withGreeting, now },
  );
  expect(step.says.text).toContain('“I am on the hill.”');
});
