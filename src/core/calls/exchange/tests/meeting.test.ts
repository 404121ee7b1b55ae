import { meetingLimits, type MeetingAct } from '../../meetings';
import { hostsOf } from '../attending';
import { picturePaths } from '../picturePaths';
import { device, threeTogether } from './story';

/** Ada has made a meeting of her call with the customer and Ben; `at`: seconds since it began. */
function meeting() {
  const story = threeTogether();
  story.does({ type: 'meet', legId: story.at('ada-app') }, 30);
  const asked = (where: string, act: MeetingAct) =>
    ({ type: 'inMeeting', legId: story.at(where), act }) as const;
  const call = () => {
    const [only] = story.exchange.calls.values();
    if (!only) throw new Error('The call has ended.');
    return only;
  };
  return {
    ...story,
    call,
    acts: (where: string, act: MeetingAct, at = 40) => story.does(asked(where, act), at),
    isRefused: (where: string, act: MeetingAct, at = 40) => story.refuses(asked(where, act), at),
    hosts: () => hostsOf(call()),
    sees: () => picturePaths(call()).map(({ picture, to }) => [picture.kind, picture.legId, to]),
  };
}

const camera = { act: 'show', kind: 'camera' } as const;
const screen = { act: 'show', kind: 'screen' } as const;

describe('a call that becomes a meeting', () => {
  it('goes on as it was: nobody moves, and who hears whom stays', () => {
    const story = threeTogether();
    const before = story.hears();
    expect(story.does({ type: 'meet', legId: story.at('ada-app') }, 30)).toEqual(['meetingChanged']);
    expect(story.hears()).toEqual(before);
    expect(story.does({ type: 'meet', legId: story.at('ben-desk') }, 31)).toEqual([]);
    const [call] = story.exchange.calls.values();
    expect(call?.acts.map(({ act }) => act)).toContain('met');
  });

  it('is none while nobody has answered, and nothing is done in what is none', () => {
    const story = threeTogether();
    const { legId } = story.fromAda('201', 35);
    expect(story.refuses({ type: 'meet', legId }, 36)).toBe('notAnswered');
    expect(
      story.refuses({ type: 'inMeeting', legId: story.at('customer'), act: { act: 'raiseHand' } }, 36),
    ).toBe('noMeeting');
  });

  it('shows at browsers alone: a plain phone is sound, until a screen stands beside it', () => {
    const { acts, isRefused, sees, at } = meeting();
    acts('ada-app', camera);
    expect(isRefused('customer', camera)).toBe('soundOnly');
    expect(isRefused('ben-desk', camera)).toBe('soundOnly');
    acts('customer', { act: 'openBeside' });
    acts('customer', camera);
    const [ada, ben, caller] = [at('ada-app'), at('ben-desk'), at('customer')];
    expect(sees()).toEqual([
      ['camera', ada, caller],
      ['camera', ada, ben],
      ['camera', caller, ada],
      ['camera', caller, ben],
    ]);
  });

  it('shows where voices would go: not to who is put aside, nor to or from who holds', () => {
    const { acts, sees, at, does } = meeting();
    acts('ada-app', screen);
    expect(sees()).toHaveLength(2);
    does({ type: 'putAside', legId: at('ada-app'), otherLegId: at('customer') }, 41);
    expect(sees()).toEqual([['screen', at('ada-app'), at('ben-desk')]]);
    does({ type: 'bringBack', legId: at('ada-app'), otherLegId: at('customer') }, 42);
    does({ type: 'mute', legId: at('ada-app') }, 43);
    expect(sees()).toHaveLength(2);
    does({ type: 'hold', legId: at('ada-app') }, 44);
    expect(sees()).toEqual([]);
  });

  it('shows as many pictures at once as it may, and each kind once from each', () => {
    const { acts, isRefused, call, does } = meeting();
    const token = 'a-link-for-many-guests-of-it';
    acts('ada-app', { act: 'giveLink', token, forLegId: null });
    for (const where of ['customer', 'ben-desk']) acts(where, { act: 'openBeside' });
    for (const where of ['ada-app', 'customer', 'ben-desk']) acts(where, camera);
    expect(acts('ada-app', camera)).toEqual([]);
    acts('ada-app', screen);
    const guests = Array.from({ length: meetingLimits.pictures - 4 }, (_, at) => `g${at}`);
    for (const guestId of guests) {
      does({ type: 'knock', token, guestId, name: guestId }, 41);
      acts('ada-app', { act: 'letIn', guestId }, 41);
      const leg = call().legs.find(({ endpoint }) => 'guestId' in endpoint && endpoint.guestId === guestId);
      does({ type: 'inMeeting', legId: leg?.id ?? '', act: camera }, 41);
    }
    expect(call().meeting?.pictures).toHaveLength(meetingLimits.pictures);
    expect(isRefused('customer', screen)).toBe('picturesFull');
    const [first] = call().meeting?.pictures ?? [];
    expect(isRefused('ben-desk', { act: 'stopShowing', pictureId: first?.id ?? '' })).toBe('hostOnly');
    acts('ada-app', { act: 'stopShowing', pictureId: first?.id ?? '' });
    acts('customer', screen);
  });

  it('whoever leaves takes their picture and hand along, and leaves somebody else to decide', () => {
    const { acts, call, hosts, at, does } = meeting();
    acts('ada-app', camera);
    acts('ada-app', { act: 'raiseHand' });
    acts('ben-desk', { act: 'raiseHand' }, 41);
    expect(hosts()).toEqual([at('ada-app')]);
    does({ type: 'clear', legId: at('ada-app') }, 50);
    expect(call().meeting).toMatchObject({ pictures: [], hands: [{ legId: at('ben-desk') }] });
    expect(hosts()).toEqual([at('ben-desk')]);
  });

  it('who became host since the others had gone stays one when they make another', () => {
    const { acts, hosts, at, does } = meeting();
    does({ type: 'clear', legId: at('ada-app') }, 50);
    does({ type: 'add', legId: at('ben-desk'), to: '214' }, 52);
    does({ type: 'answer', legId: at('ada-app') }, 54);
    expect(hosts()).toEqual([at('ben-desk')]);
    acts('ben-desk', { act: 'makeHost', otherLegId: at('ada-app') }, 55);
    expect(hosts()).toEqual([at('ben-desk'), at('ada-app')]);
  });

  it('hands stand in their order, and are lowered by whose they are, or by a host', () => {
    const { acts, isRefused, call, at } = meeting();
    acts('ben-desk', { act: 'raiseHand' }, 40);
    acts('customer', { act: 'raiseHand' }, 41);
    acts('ben-desk', { act: 'raiseHand' }, 42);
    const order = () => call().meeting?.hands.map(({ legId }) => legId);
    expect(order()).toEqual([at('ben-desk'), at('customer')]);
    expect(isRefused('customer', { act: 'lowerHand', otherLegId: at('ben-desk') })).toBe('hostOnly');
    acts('ada-app', { act: 'lowerHand', otherLegId: at('ben-desk') }, 43);
    expect(order()).toEqual([at('customer')]);
  });

  it('is locked, muted and ended by a host alone; a host may make another', () => {
    const { acts, isRefused, at, does, refuses, call, exchange } = meeting();
    for (const act of [{ act: 'setLock', isLocked: true }, { act: 'muteOthers' }, { act: 'end' }] as const)
      expect(isRefused('ben-desk', act)).toBe('hostOnly');
    expect(refuses({ type: 'drop', legId: at('ben-desk'), otherLegId: at('customer') }, 41)).toBe('hostOnly');
    acts('ada-app', { act: 'setLock', isLocked: true }, 42);
    expect(refuses({ type: 'add', legId: at('ada-app'), to: '0131 496 0142' }, 43)).toBe('meetingLocked');
    acts('ada-app', { act: 'setLock', isLocked: false }, 44);
    acts('ada-app', { act: 'muteOthers' }, 45);
    expect(
      call()
        .legs.map(({ muted }) => muted)
        .filter(Boolean),
    ).toHaveLength(2);
    // Each may speak again.
    does({ type: 'unmute', legId: at('ben-desk') }, 46);
    expect(isRefused('ada-app', { act: 'makeHost', otherLegId: at('customer') }, 47)).toBe('notInCall');
    acts('ada-app', { act: 'makeHost', otherLegId: at('ben-desk') }, 47);
    acts('ben-desk', { act: 'end' }, 48);
    expect(exchange.calls.size).toBe(0);
  });

  it('is one with another that is joined to it, and goes along to another device without its picture', () => {
    const { acts, call, at, does, send } = meeting();
    acts('ada-app', camera);
    acts('ada-app', { act: 'raiseHand' });
    does({ type: 'move', legId: at('ada-app'), to: { deviceId: 'ada-desk' }, atOnce: true }, 50);
    expect(call().meeting).toMatchObject({ pictures: [], hands: [{ legId: at('ada-desk') }] });
    const held = at('ada-desk');
    const to = {
      type: 'make',
      from: device('ada-desk'),
      to: '0131 496 0142',
      consultationFor: held,
    } as const;
    const { result } = send(to, 60);
    does({ type: 'answer', legId: at('+441314960142') }, 64);
    does({ type: 'mergeCalls', legId: held, otherLegId: (result.ok && result.legId) || '' }, 70);
    expect(call().meeting?.begunAt).toBeLessThan(call().legs.at(-1)?.createdAt ?? 0);
    expect(call().legs.filter(({ state }) => state === 'connected')).toHaveLength(4);
  });

  it('a reaction is seen for a moment, the last of each', () => {
    const { acts, call } = meeting();
    acts('ada-app', { act: 'react', reaction: 'yes' }, 40);
    acts('ada-app', { act: 'react', reaction: 'no' }, 41);
    expect(call().meeting?.reactions.map(({ reaction }) => reaction)).toEqual(['no']);
    acts('ben-desk', { act: 'react', reaction: 'thanks' }, 60);
    expect(call().meeting?.reactions.map(({ reaction }) => reaction)).toEqual(['thanks']);
  });
});
