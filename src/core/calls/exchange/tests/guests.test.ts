import { meetingLimits, type MeetingAct } from '../../meetings';
import { picturePaths } from '../picturePaths';
import { threeTogether } from './story';

const [guestsLink, customersLink] = ['a-link-for-whoever-has-it', 'a-link-for-the-customer-1'];

/** Ada has made a meeting of her call with the customer and Ben, and given a link to it; `at`: seconds since it began. */
function meetingWithLink() {
  const story = threeTogether();
  story.does({ type: 'meet', legId: story.at('ada-app') }, 30);
  const asked = (where: string, act: MeetingAct) =>
    ({ type: 'inMeeting', legId: story.at(where), act }) as const;
  const acts = (where: string, act: MeetingAct, at = 40) => story.does(asked(where, act), at);
  acts('ada-app', { act: 'giveLink', token: guestsLink, forLegId: null }, 31);
  const call = () => {
    const [only] = story.exchange.calls.values();
    if (!only) throw new Error('The call has ended.');
    return only;
  };
  const knock = (guestId: string, token = guestsLink, name = 'Zofia Kern') =>
    ({ type: 'knock', token, guestId, name }) as const;
  return {
    ...story,
    ...{ acts, call, knock },
    comes: (guestId: string, at = 40, token = guestsLink) => story.does(knock(guestId, token), at),
    isRefused: (where: string, act: MeetingAct, at = 40) => story.refuses(asked(where, act), at),
    waiting: () => call().meeting?.waiting.map(({ guestId }) => guestId),
    guestLeg: (guestId: string) =>
      call().legs.find(({ endpoint }) => endpoint.kind === 'outside' && endpoint.guestId === guestId),
  };
}

describe('a guest of a meeting', () => {
  it('waits, heard by nobody, until a host lets them in; then they hear and are heard, and may be seen', () => {
    const { comes, waiting, hears, acts, guestLeg, call, send } = meetingWithLink();
    const before = hears();
    expect(comes('g1')).toEqual(['meetingChanged']);
    // Asked again, they wait as before.
    expect(comes('g1', 41)).toEqual([]);
    expect(waiting()).toEqual(['g1']);
    expect(hears()).toEqual(before);
    expect(acts('ada-app', { act: 'letIn', guestId: 'g1' }, 42)).toContain('joined withheld');
    const leg = guestLeg('g1');
    expect(waiting()).toEqual([]);
    expect(hears()['ben-desk']).toContain('withheld');
    expect(hears()['withheld']).toBe('customer, ada-app, ben-desk');
    acts('withheld', { act: 'show', kind: 'camera' }, 43);
    expect(picturePaths(call()).map(({ to }) => to)).toHaveLength(3);
    // Their page is loaded anew: it is told where they are.
    expect(send({ type: 'knock', token: guestsLink, guestId: 'g1', name: 'Zofia' }, 44).result).toMatchObject(
      { ok: true, legId: leg?.id },
    );
  });

  it('is let in, or turned away, by a host alone, and comes in no more where it is locked or full', () => {
    const { comes, isRefused, acts, waiting, refuses, knock, call } = meetingWithLink();
    comes('g1');
    expect(isRefused('ben-desk', { act: 'letIn', guestId: 'g1' })).toBe('hostOnly');
    acts('ada-app', { act: 'turnAway', guestId: 'g1' });
    expect(waiting()).toEqual([]);
    expect(isRefused('ada-app', { act: 'letIn', guestId: 'g1' })).toBe('nobodyWaits');
    const already = call().legs.filter(({ state }) => state === 'connected').length;
    for (let each = already; each < meetingLimits.parties; each++) {
      comes(`h${each}`, 41);
      acts('ada-app', { act: 'letIn', guestId: `h${each}` }, 42);
    }
    comes('g7', 43);
    expect(isRefused('ada-app', { act: 'letIn', guestId: 'g7' }, 43)).toBe('conferenceFull');
    expect(waiting()).toEqual(['g7']);
    acts('ada-app', { act: 'setLock', isLocked: true }, 44);
    expect(refuses(knock('g8'), 45)).toBe('meetingLocked');
    expect(call().acts.filter(({ act }) => act === 'letIn')).toHaveLength(meetingLimits.parties - already);
  });

  it('comes by a link that somebody of the office gave, while it is good', () => {
    const { isRefused, refuses, knock, acts, at, does } = meetingWithLink();
    const [token, other] = ['a-link-of-the-customers-own', 'the-second-link-for-guests'];
    expect(isRefused('customer', { act: 'giveLink', token, forLegId: null })).toBe('onlyDevice');
    expect(refuses(knock('g1', token), 41)).toBe('unknownLink');
    acts('ben-desk', { act: 'giveLink', token: other, forLegId: null }, 42);
    expect(refuses(knock('g1'), 43)).toBe('unknownLink');
    acts('ada-app', { act: 'endLink', token: other }, 44);
    expect(refuses(knock('g1', other), 45)).toBe('unknownLink');
    acts('ada-app', { act: 'giveLink', token, forLegId: null }, 46);
    const late = 46 + meetingLimits.linkMs / 1_000;
    expect(refuses(knock('g1', token), late)).toBe('linkTooOld');
    acts('ada-app', { act: 'giveLink', token: other, forLegId: null }, late);
    does(knock('g1', other), late);
    does({ type: 'clear', legId: at('ada-app') }, late);
    acts('ben-desk', { act: 'end' }, late + 1);
    expect(refuses(knock('g1', other), late + 2)).toBe('unknownLink');
  });

  it('stays in it, or waiting, when the link they came by is good no more, also where they come again', () => {
    const { comes, acts, knock, send, guestLeg, refuses, waiting } = meetingWithLink();
    comes('g1');
    comes('g2');
    acts('ada-app', { act: 'letIn', guestId: 'g1' }, 41);
    acts('ada-app', { act: 'endLink', token: guestsLink }, 42);
    expect(send(knock('g1'), 43).result).toMatchObject({ ok: true, legId: guestLeg('g1')?.id });
    expect(send(knock('g2'), 43).result).toMatchObject({ ok: true });
    expect(waiting()).toEqual(['g2']);
    expect(refuses(knock('g3'), 44)).toBe('unknownLink');
  });

  it('goes again: from waiting without a word, from the call as anybody', () => {
    const { comes, waiting, does, acts, guestLeg, hears } = meetingWithLink();
    comes('g1');
    does({ type: 'goAway', guestId: 'g1' }, 41);
    expect(waiting()).toEqual([]);
    comes('g1', 42);
    acts('ada-app', { act: 'letIn', guestId: 'g1' }, 43);
    does({ type: 'clear', legId: guestLeg('g1')?.id ?? '' }, 50);
    expect(Object.keys(hears())).not.toContain('withheld');
  });
});

describe('the screen beside a phone outside', () => {
  it('is opened by a link of their own, without waiting: they are seen, and heard by their phone alone', () => {
    const { acts, isRefused, comes, at, call, hears } = meetingWithLink();
    const before = hears();
    expect(isRefused('ada-app', { act: 'giveLink', token: customersLink, forLegId: at('ben-desk') })).toBe(
      'onlyOutside',
    );
    acts('ada-app', { act: 'giveLink', token: customersLink, forLegId: at('customer') });
    comes('g9', 41, customersLink);
    expect(hears()).toEqual(before);
    acts('customer', { act: 'show', kind: 'camera' }, 42);
    expect(call().meeting).toMatchObject({ besideLegIds: [at('customer')], waiting: [] });
  });

  it('closed, or opened elsewhere, it shows nothing more; and it goes with who has hung up', () => {
    const { acts, comes, does, at, call, send } = meetingWithLink();
    acts('ada-app', { act: 'giveLink', token: customersLink, forLegId: at('customer') });
    const customer = at('customer');
    comes('g9', 41, customersLink);
    acts('customer', { act: 'show', kind: 'camera' }, 42);
    does({ type: 'goAway', guestId: 'g9' }, 43);
    expect(call().meeting).toMatchObject({ besideLegIds: [], pictures: [] });
    expect(
      send({ type: 'knock', token: customersLink, guestId: 'g10', name: 'Peg' }, 44).result,
    ).toMatchObject({ ok: true, legId: customer });
    // Whoever had it open before is not asked any more.
    does({ type: 'goAway', guestId: 'g9' }, 45);
    expect(call().meeting?.besideLegIds).toEqual([customer]);
    does({ type: 'clear', legId: customer }, 46);
    expect(call().meeting).toMatchObject({ besideLegIds: [], links: [{ token: guestsLink }] });
  });
});

it('a guest who waits at two calls that become one waits once, and not where they are in it', () => {
  const { acts, comes, at, does, send, call, waiting } = meetingWithLink();
  comes('g1');
  comes('g2');
  acts('ada-app', { act: 'letIn', guestId: 'g1' }, 41);
  const held = at('ada-app');
  const { result } = send(
    {
      type: 'make',
      from: { kind: 'device', deviceId: 'ada-app' },
      to: '0131 496 0142',
      consultationFor: held,
    },
    50,
  );
  const other = (result.ok && result.legId) || '';
  does({ type: 'answer', legId: at('+441314960142') }, 54);
  does({ type: 'meet', legId: other }, 55);
  const token = 'the-link-of-the-other-call';
  does({ type: 'inMeeting', legId: other, act: { act: 'giveLink', token, forLegId: null } }, 56);
  for (const guestId of ['g1', 'g2', 'g3']) does({ type: 'knock', token, guestId, name: 'Zofia' }, 57);
  does({ type: 'mergeCalls', legId: held, otherLegId: other }, 60);
  expect(waiting()).toEqual(['g2', 'g3']);
  expect(call().legs.filter(({ state }) => state === 'connected')).toHaveLength(5);
});
