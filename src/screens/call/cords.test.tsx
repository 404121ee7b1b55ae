import { render, screen } from '@testing-library/react';

import type { Call, Heard } from '@/core/calls/exchange';
import type { CallView, PartyView } from '@/state/app';

import { lastSaid, phaseWord, theyHear, youHear } from '../shared/callWords';
import { ActRows } from './ActRows';
import { CordDrawing } from './CordDrawing';
import { shapeOf, type CordShape } from './cordShape';
import { TrunkDrawing } from './TrunkDrawing';

const nothing: Heard = { kind: 'nothing' };

function view(
  change: Partial<Omit<CallView, 'me' | 'others'>>,
  mine: Partial<PartyView>,
  theirs: Partial<PartyView>,
): CallView {
  const party = {
    detail: '',
    number: null,
    personId: null,
    state: 'connected',
    heard: nothing,
    muted: false,
    isSilenced: false,
    room: 'floor',
  } as const;
  return {
    id: 'c1',
    call: { failure: null } as Call,
    phase: 'talking',
    direction: 'out',
    me: { ...party, legId: 'me', name: 'Maren', ...mine },
    others: [{ ...party, legId: 'peg', name: 'Peg Anstey', ...theirs }],
    line: null,
    since: 0,
    heldSince: null,
    recording: null,
    isRecorded: false,
    ...change,
  };
}

const hearsPeg: Heard = { kind: 'voices', legIds: ['peg'] };
const hearsMe: Heard = { kind: 'voices', legIds: ['me'] };
const hearsNobody: Heard = { kind: 'voices', legIds: [] };

const situations = [
  {
    name: 'both talk',
    view: view({}, { heard: hearsPeg }, { heard: hearsMe }),
    shape: { reach: 'plugged', up: 'sounds', down: 'sounds' },
    they: 'hears you',
    you: 'You hear Peg Anstey',
  },
  {
    name: 'muted here',
    view: view({}, { heard: hearsPeg, muted: true }, { heard: hearsNobody }),
    shape: { reach: 'plugged', up: 'cut', down: 'sounds' },
    they: 'hears nobody',
    you: 'You hear Peg Anstey',
  },
  {
    name: 'held here',
    view: view({ phase: 'held' }, { state: 'held' }, { heard: { kind: 'music' } }),
    shape: { reach: 'held', up: 'music', down: 'cut' },
    they: 'hears music',
    you: 'You hear nothing',
  },
  {
    name: 'held over there',
    view: view({}, { heard: { kind: 'music' } }, { state: 'held' }),
    shape: { reach: 'plugged', up: 'cut', down: 'music' },
    they: 'has you on hold',
    you: 'You hear music',
  },
  {
    name: 'ringing there',
    view: view({ phase: 'ringing' }, { heard: { kind: 'ringback' } }, { state: 'alerting' }),
    shape: { reach: 'open', rings: true, up: 'none' },
    they: 'ringing',
    you: 'You hear ringing',
  },
  {
    name: 'busy',
    view: view(
      { phase: 'failed', call: { failure: 'userBusy' } as Call },
      { heard: { kind: 'tone', tone: 'busy' } },
      { state: 'failed' },
    ),
    shape: { reach: 'broken', rings: false },
    they: 'busy',
    you: 'You hear busy tone',
  },
  {
    name: 'the mailbox greets',
    view: view({ phase: 'mailbox' }, { heard: { kind: 'greeting', personId: 'peg' } }, {}),
    shape: { reach: 'plugged', up: 'cut', down: 'sounds' },
    they: 'hears nothing',
    you: 'You hear the greeting',
  },
] as const;

describe.each(situations)('cords: $name', ({ view: situation, shape, they, you }) => {
  it('are drawn and said so', () => {
    expect(situation.others.map((party) => shapeOf(situation, party))).toMatchObject([shape]);
    expect(situation.others.map((party) => theyHear(party, situation))).toEqual([they]);
    expect(youHear(situation)).toBe(you);
  });
});

it('only strands in which something sounds move', () => {
  const strands = situations.map(({ view: situation }) => {
    const [party] = situation.others;
    if (!party) throw new Error('Nobody there');
    const { container } = render(
      <CordDrawing width={390} height={300} shape={shapeOf(situation, party)} colour="#000000" />,
    );
    const count = (query: string) => container.querySelectorAll(query).length;
    return [count('[data-flow=up]'), count('[data-flow=down]'), count('[data-ring]')];
  });
  expect(strands).toEqual([
    [1, 1, 0],
    [0, 1, 0],
    [0, 0, 0],
    [0, 1, 0],
    [0, 0, 3],
    [0, 0, 0],
    [0, 1, 0],
  ]);
});

it('of several calls only the cords of the one talked on move; a voice that is cut has its bar', () => {
  const plugged = { reach: 'plugged', up: 'sounds', down: 'sounds', rings: false } as const;
  const trunk = (key: string, isActive: boolean, shapes: readonly CordShape[]) => ({
    key,
    colour: '#000000',
    isActive,
    branches: shapes.map((shape, index) => ({
      key: `${key}${index}`,
      y: 40 + index * 60,
      shape,
      isPrivate: false,
    })),
  });
  const { container } = render(
    <TrunkDrawing
      width={68}
      height={400}
      trunks={[
        trunk('held', false, [{ reach: 'held', up: 'music', down: 'cut', rings: false }]),
        trunk('active', true, [
          plugged,
          { ...plugged, up: 'cut' },
          { ...plugged, reach: 'open', rings: true },
        ]),
      ]}
    />,
  );
  const count = (query: string) => container.querySelectorAll(query).length;
  // Up: the trunk and one branch, the other being cut. Down: the trunk and both.
  expect([count('[data-flow=up]'), count('[data-flow=down]'), count('[data-ring]')]).toEqual([2, 3, 2]);
  // The ring of the held trunk and of its branch, the open end, and the bar across the voice that is cut.
  expect(count('circle')).toBe(4);
});

it('shows the latest words of whom one hears, and none of those out of hearing', () => {
  const said = (legId: string, at: number, text: string) => ({ at, callId: 'c1', legId, clip: '', text });
  const speech = {
    peg: said('peg', 1, 'Mind the dog.'),
    ilse: said('ilse', 3, 'Is she gone?'),
    kofi: said('kofi', 2, 'Yes.'),
  };
  const hears = (legIds: string[]) => view({}, { heard: { kind: 'voices', legIds } }, {});
  expect(lastSaid(hears(['peg', 'kofi']), speech)).toBe('Yes.');
  expect(lastSaid(hears(['peg']), speech)).toBe('Mind the dog.');
  expect(lastSaid(view({}, { heard: { kind: 'music' } }, {}), speech)).toBeNull();
});

it('a muted call says so where its state is said', () => {
  expect(phaseWord(view({}, { muted: true }, {}))).toBe('Talking, you are muted');
  expect(phaseWord(view({ phase: 'failed', call: { failure: 'unallocatedNumber' } as Call }, {}, {}))).toBe(
    'Number unknown',
  );
});

it('acts stand in named groups, and what can’t be done now is off', () => {
  const groups = [
    { name: 'My sound', acts: [{ word: 'Mute', onPress: jest.fn(), isOn: true }] },
    { name: 'This call', acts: [{ word: 'Hold', onPress: jest.fn(), disabled: true }] },
  ];
  render(<ActRows groups={groups} />);
  expect(screen.getByRole('group', { name: 'My sound' })).toBeTruthy();
  expect(screen.getByRole('button', { name: 'Mute' }).getAttribute('aria-pressed')).toBe('true');
  expect(screen.getByRole('button', { name: 'Hold' }).getAttribute('aria-disabled')).toBe('true');
});
