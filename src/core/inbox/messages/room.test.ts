import { cannotText } from './outbox';
import {
  cannotWrite,
  entered,
  left,
  mayRead,
  roomIdOf,
  roomNameProblem,
  roomNumber,
  speaksTo,
  type Room,
} from './room';

const room: Room = {
  id: 'gauges',
  name: 'Cawder gauges',
  isOpen: false,
  memberIds: ['maren', 'ilse'],
  callId: null,
  createdAt: 0,
  closedAt: null,
};

describe('a room', () => {
  it('that is closed is read by its members only, an open one by everybody', () => {
    expect(mayRead(room, 'ilse')).toBe(true);
    expect(mayRead(room, 'kofi')).toBe(false);
    expect(mayRead({ ...room, isOpen: true }, 'kofi')).toBe(true);
  });

  it('is written in by who is in it, until it ends', () => {
    expect(cannotWrite(room, 'maren')).toBeNull();
    expect(cannotWrite({ ...room, isOpen: true }, 'kofi')).toBe('notInIt');
    expect(cannotWrite(entered({ ...room, isOpen: true }, 'kofi'), 'kofi')).toBeNull();
    expect(cannotWrite({ ...room, closedAt: 5 }, 'maren')).toBe('ended');
  });

  it('is entered once, and ends when the last one leaves it unless it is open', () => {
    expect(entered(room, 'maren')).toBe(room);
    const one = left(room, 'ilse', 9);
    expect(one).toMatchObject({ memberIds: ['maren'], closedAt: null });
    expect(left(one, 'maren', 9).closedAt).toBe(9);
    expect(left({ ...one, isOpen: true }, 'maren', 9).closedAt).toBeNull();
  });

  it('has a number that is no telephone number, and can be written to', () => {
    expect(roomIdOf(roomNumber('gauges'))).toBe('gauges');
    expect(roomIdOf('+447700900333')).toBeNull();
    expect(cannotText(roomNumber('gauges'), [])).toBeNull();
  });

  it.each([
    ['', 'A room needs a name.'],
    ['  ', 'A room needs a name.'],
    ['x'.repeat(61), 'A name has at most 60 letters.'],
    ['cawder GAUGES', 'There is a room of that name already.'],
    ['Stores', null],
  ])('may be called "%s": %s', (name, problem) => {
    expect(roomNameProblem(name, [room])).toBe(problem);
  });

  it('may have the name of one that has ended', () => {
    expect(roomNameProblem('Cawder gauges', [{ ...room, closedAt: 1 }])).toBeNull();
  });
});

it.each([
  ['Maren, is the pump in?', true],
  ['ask maren.', true],
  ['Marenka has it', false],
  ['Nobody', false],
])('"%s" speaks to Maren: %s', (text, speaks) => {
  expect(speaksTo(text, 'Maren Oyelaran')).toBe(speaks);
});
