import type { CallView, MeetingView } from '@/state/app';

import { largeOf, marksOf } from './pictureWords';

const meeting: MeetingView = {
  ...{ isHost: true, isLocked: false, hostLegIds: ['me'], hands: ['ilse', 'me'] },
  pictures: [
    { id: 's1', legId: 'me', kind: 'camera', isMine: true },
    { id: 's2', legId: 'ilse', kind: 'camera', isMine: false },
    { id: 's3', legId: 'hugh', kind: 'camera', isMine: false },
  ],
  reactions: [{ legId: 'ilse', reaction: 'thanks', at: 1_000 }],
  waiting: [],
};
const screen = { id: 's4', legId: 'hugh', kind: 'screen', isMine: false } as const;

describe('what is seen large', () => {
  it('is what was chosen, as long as it is there; else the newest screen; else the first who is seen', () => {
    expect(largeOf(meeting, null)).toBe('s2');
    expect(largeOf(meeting, null, 'hugh')).toBe('s3');
    expect(largeOf(meeting, 's2', 'hugh')).toBe('s2');
    const withScreen = { ...meeting, pictures: [...meeting.pictures, screen] };
    expect(largeOf(withScreen, null)).toBe('s4');
    expect(largeOf(withScreen, 's3')).toBe('s3');
    expect(largeOf(withScreen, 'gone')).toBe('s4');
  });

  it('is never one’s own', () => {
    expect(largeOf({ ...meeting, pictures: meeting.pictures.slice(0, 1) }, 's1')).toBeNull();
  });
});

it('marks say how somebody reacts for a moment, the place of their hand, who is host, and who is sound only', () => {
  const call = {
    legs: [
      { id: 'ilse', endpoint: { kind: 'device', deviceId: 'ilse-app' } },
      { id: 'peg', endpoint: { kind: 'outside', number: null, name: null } },
    ],
    meeting: { besideLegIds: [] as string[] },
  };
  const view = { call } as unknown as CallView;
  expect(marksOf(meeting, view, 'ilse', 2_000)).toEqual(['“thanks”', 'hand 1']);
  expect(marksOf(meeting, view, 'ilse', 9_000)).toEqual(['hand 1']);
  expect(marksOf(meeting, view, 'me', 9_000)).toEqual(['hand 2', 'host']);
  expect(marksOf(meeting, view, 'peg', 9_000)).toEqual(['sound only']);
  call.meeting.besideLegIds.push('peg');
  expect(marksOf(meeting, view, 'peg', 9_000)).toEqual([]);
});
