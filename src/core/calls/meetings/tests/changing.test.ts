import { begunMeeting, joinedMeetings, meetingLimits, movedEnd, withoutEnd, type Meeting } from '..';

const picture = (id: string, legId: string) => ({ id, legId, kind: 'camera', at: 0 }) as const;
const meeting = (hostLegId: string, rest: Partial<Meeting>): Meeting => ({
  ...begunMeeting(hostLegId, 5),
  ...rest,
});

describe('two meetings that become one', () => {
  it('somebody in both has one hand, raised when it was first; the order stays that of the hands', () => {
    const into = meeting('a', {
      hands: [
        { legId: 'b', at: 20 },
        { legId: 'a', at: 30 },
      ],
    });
    const from = movedEnd(
      meeting('a2', {
        hands: [
          { legId: 'a2', at: 10 },
          { legId: 'c', at: 25 },
        ],
      }),
      'a2',
      'a',
    );
    expect(joinedMeetings(into, from)).toMatchObject({
      hostLegIds: ['a'],
      hands: [
        { legId: 'a', at: 10 },
        { legId: 'b', at: 20 },
        { legId: 'c', at: 25 },
      ],
    });
  });

  it('show no more pictures than one may', () => {
    const many = (prefix: string) =>
      Array.from({ length: meetingLimits.pictures - 1 }, (_, at) =>
        picture(`${prefix}${at}`, `${prefix}${at}`),
      );
    const joined = joinedMeetings(
      meeting('a1', { pictures: many('a') }),
      meeting('b1', { pictures: many('b') }),
    );
    expect(joined?.pictures).toHaveLength(meetingLimits.pictures);
  });

  it('are what either was, where the other is none', () => {
    const one = meeting('a', {});
    expect([joinedMeetings(one, null), joinedMeetings(null, one), joinedMeetings(null, null)]).toEqual([
      one,
      one,
      null,
    ]);
  });
});

it('whoever is at another device has their hand and say there, and no picture; whoever has gone has nothing', () => {
  const before = meeting('a', {
    pictures: [picture('s1', 'a')],
    hands: [{ legId: 'a', at: 9 }],
    besideLegIds: ['a'],
  });
  expect(movedEnd(before, 'a', 'b')).toMatchObject({
    ...{ hostLegIds: ['b'], pictures: [], hands: [{ legId: 'b', at: 9 }], besideLegIds: [] },
  });
  expect(withoutEnd(before, 'a')).toMatchObject({
    hostLegIds: [],
    pictures: [],
    hands: [],
    besideLegIds: [],
  });
});
