import { sampleCast, sampleOffice } from '@sample';

import type { MeetingAct } from '@/core/calls/meetings';
import type { GuestSeen } from '@/core/guests';
import { Clock } from '@/office/clock';
import { HostedOffice } from '@/office/hosted';

import { Guests } from './Guests';
import { withoutGuest } from './realCast';

const start = Date.UTC(2026, 10, 26, 10, 40);
const [guestsLink, pegsLink] = ['a-link-for-whoever-has-it', 'a-link-for-the-customer-1'];

class Visitor {
  readonly told: GuestSeen[] = [];
  constructor(readonly id: string) {}
  tell = (seen: GuestSeen) => void this.told.push(seen);
  get last() {
    return this.told.at(-1);
  }
}

/** Maren talks with Peg, who called her, in a meeting; there is a link for guests. */
async function meeting() {
  const clock = new Clock({ mode: 'fixed', at: start });
  const office = new HostedOffice({ setup: sampleOffice, cast: withoutGuest(sampleCast), clock });
  const guests = new Guests({ seen: () => office.seen(), send: (command) => office.send(command) });
  office.subscribe((step) => guests.changed(step));
  office.start();
  const made = await office.send({
    ...{ type: 'make', to: '+441314960120' },
    from: { kind: 'outside', number: '+447700900162', name: 'CAWDER FW' },
  });
  const callId = (made.ok && made.callId) || '';
  const call = () => {
    const found = office.seen().calls.get(callId);
    if (!found) throw new Error('The call has ended.');
    return found;
  };
  const legAt = (deviceId: string) =>
    call().legs.find(({ endpoint }) => endpoint.kind === 'device' && endpoint.deviceId === deviceId)?.id ??
    '';
  const peg = (made.ok && made.legId) || '';
  await office.send({ type: 'answer', legId: legAt('maren-app') });
  const maren = legAt('maren-app');
  await office.send({ type: 'meet', legId: maren });
  const acts = (act: MeetingAct) => office.send({ type: 'inMeeting', legId: maren, act });
  await acts({ act: 'giveLink', token: guestsLink, forLegId: null });
  const knock = (visitor: Visitor, given: { token?: string; secret?: string } = {}) => {
    const { token = guestsLink, secret = `the secret of ${visitor.id}, and more` } = given;
    return guests.ask(visitor, { what: 'knock', token, secret, name: 'Zofia Kern' });
  };
  const waiting = () => call().meeting?.waiting.map(({ guestId }) => guestId) ?? [];
  const letIn = () => acts({ act: 'letIn', guestId: waiting()[0] ?? '' });
  return { office, guests, clock, call, acts, knock, waiting, letIn, maren, peg };
}

describe('a guest of a meeting on a server', () => {
  it('waits, and is told nothing of who is there; let in, they see who is, without numbers', async () => {
    const { knock, letIn, maren } = await meeting();
    const zofia = new Visitor('zofia');
    expect(await knock(zofia)).toEqual({ seen: { state: 'waiting', office: 'Orrin Vale Gauging' } });
    await letIn();
    expect(zofia.last).toMatchObject({
      ...{ state: 'in', isBeside: false, isMuted: false },
      others: [
        { name: 'CAWDER FW', isHost: false, isSoundOnly: true },
        { legId: maren, name: 'Maren Oyelaran', isHost: true, isSoundOnly: false },
      ],
    });
    expect(JSON.stringify(zofia.told)).not.toContain('7700900162');
  });

  it('does what a guest may at their own end, and nothing at another', async () => {
    const { guests, knock, letIn, call, acts, maren } = await meeting();
    const zofia = new Visitor('zofia');
    await knock(zofia);
    const raise = { do: 'inMeeting', act: { act: 'raiseHand' } } as const;
    expect(await guests.ask(zofia, { what: 'act', act: raise })).toEqual({ refused: 'notNow' });
    await letIn();
    expect(await guests.ask(zofia, { what: 'act', act: raise })).toEqual({ done: true });
    expect(await guests.ask(new Visitor('other'), { what: 'act', act: raise })).toEqual({
      refused: 'notNow',
    });
    await guests.ask(zofia, { what: 'act', act: { do: 'mute', on: true } });
    expect(zofia.last).toMatchObject({ isMuted: true });
    await acts({ act: 'raiseHand' });
    const lower = { do: 'inMeeting', act: { act: 'lowerHand', otherLegId: maren } } as const;
    expect(await guests.ask(zofia, { what: 'act', act: lower })).toEqual({ refused: 'notNow' });
    expect(call().meeting?.hands).toHaveLength(2);
    expect(guests.legsOf(zofia)).toHaveLength(1);
    expect(guests.legsOf({ id: 'other' })).toEqual([]);
  });

  it('is told that it is recorded, as long as it is', async () => {
    const { knock, letIn, office, maren } = await meeting();
    const zofia = new Visitor('zofia');
    await knock(zofia);
    await letIn();
    await office.send({ type: 'record', legId: maren, act: 'start' });
    expect(zofia.last).toMatchObject({ isRecorded: true });
    await office.send({ type: 'record', legId: maren, act: 'stop' });
    expect(zofia.last).toMatchObject({ isRecorded: false });
  });

  it('is told how it ended: turned away, removed, or over for all', async () => {
    const { knock, letIn, acts, waiting, office, maren, call } = await meeting();
    const [away, removed, last] = ['away', 'removed', 'last'].map((id) => new Visitor(id));
    if (!away || !removed || !last) return;
    await knock(away);
    await acts({ act: 'turnAway', guestId: waiting()[0] ?? '' });
    expect(away.last).toEqual({ state: 'over', why: 'turnedAway' });
    await knock(removed);
    await letIn();
    const otherLegId = call().legs.at(-1)?.id ?? '';
    await office.send({ type: 'drop', legId: maren, otherLegId });
    expect(removed.last).toEqual({ state: 'over', why: 'ended' });
    await knock(last);
    await acts({ act: 'end' });
    expect(last.last).toEqual({ state: 'over', why: 'ended' });
    expect(await knock(last)).toEqual({ refused: 'unknownLink' });
  });

  it('who lost their connection comes again where they were; who does not is let go after half a minute', async () => {
    const { guests, knock, letIn, call } = await meeting();
    const [zofia, again] = [new Visitor('zofia'), new Visitor('again')];
    await knock(zofia);
    await letIn();
    guests.left(zofia);
    await guests.dropWhoIsGone(start);
    await guests.dropWhoIsGone(start + 29_000);
    const secret = 'the secret of zofia, and more';
    expect(await knock(again, { secret })).toMatchObject({ seen: { state: 'in' } });
    await guests.dropWhoIsGone(start + 60_000);
    expect(call().legs.filter(({ state }) => state === 'connected')).toHaveLength(3);
    guests.left(again);
    await guests.dropWhoIsGone(start + 61_000);
    await guests.dropWhoIsGone(start + 91_000);
    expect(call().legs.filter(({ state }) => state === 'connected')).toHaveLength(2);
  });

  it('in two browsers with one secret is in the last', async () => {
    const { knock, guests } = await meeting();
    const [zofia, again] = [new Visitor('zofia'), new Visitor('again')];
    await knock(zofia);
    await knock(again, { secret: 'the secret of zofia, and more' });
    expect(zofia.last).toEqual({ state: 'over', why: 'elsewhere' });
    expect(await guests.ask(zofia, { what: 'act', act: { do: 'leave' } })).toEqual({ refused: 'notNow' });
  });
});

describe('the screen beside a phone outside, on a server', () => {
  it('sees at once, shows in its name, and speaks by its phone alone; opened elsewhere, it is closed here', async () => {
    const { knock, guests, acts, peg, call } = await meeting();
    await acts({ act: 'giveLink', token: pegsLink, forLegId: peg });
    const [first, second] = [new Visitor('first'), new Visitor('second')];
    expect(await knock(first, { token: pegsLink })).toMatchObject({
      seen: { state: 'in', isBeside: true, legId: peg },
    });
    const show = { do: 'inMeeting', act: { act: 'show', kind: 'camera' } } as const;
    expect(await guests.ask(first, { what: 'act', act: show })).toEqual({ done: true });
    expect(await guests.ask(first, { what: 'act', act: { do: 'mute', on: true } })).toEqual({
      refused: 'notNow',
    });
    expect(call().meeting?.pictures).toMatchObject([{ legId: peg }]);
    await knock(second, { token: pegsLink });
    expect(first.last).toEqual({ state: 'over', why: 'elsewhere' });
    expect(call().meeting).toMatchObject({ pictures: [], besideLegIds: [peg] });
    await guests.ask(second, { what: 'act', act: { do: 'leave' } });
    expect(call().meeting?.besideLegIds).toEqual([]);
  });
});
