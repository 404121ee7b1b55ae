import { testSetup } from '@/core/calls/exchange/tests/testOffice';
import { OfficeIndex } from '@/core/setup';

import { member } from '../tests/member';
import { accessSeen, pauseAfter, weaknessFor } from '.';
import { Access, invitationMs } from './Access';

const at = Date.parse('2026-11-26T10:40:00Z');
const hashed = { salt: '00', hash: 'ff', cost: 1 };

function open() {
  let office = new OfficeIndex(testSetup);
  const access = new Access(() => office);
  const retire = (id: string) => {
    office = new OfficeIndex({ ...testSetup, people: testSetup.people.filter((person) => person.id !== id) });
    access.officeChanged();
  };
  return { access, retire, office };
}

describe('wrong PINs', () => {
  it('cost nothing at first; from the fifth on a pause that doubles, up to an hour', () => {
    const { access } = open();
    const answers = Array.from({ length: 7 }, () => access.tried('ada', false, at));
    expect(answers).toEqual([
      { code: 'wrongPin', left: 4 },
      { code: 'wrongPin', left: 3 },
      { code: 'wrongPin', left: 2 },
      { code: 'wrongPin', left: 1 },
      { code: 'paused', until: at + 30_000 },
      { code: 'paused', until: at + 60_000 },
      { code: 'paused', until: at + 120_000 },
    ]);
    expect(pauseAfter(100)).toBe(3_600_000);
  });

  it('of one are nothing to another; the right one forgets them', () => {
    const { access } = open();
    for (let wrong = 0; wrong < 6; wrong++) access.tried('ada', false, at);
    expect(access.pausedUntil('ben', at)).toBeNull();
    expect(access.pausedUntil('ada', at)).toBe(at + 60_000);
    expect(access.pausedUntil('ada', at + 60_000)).toBeNull();
    expect(access.tried('ada', true, at + 60_000)).toBeNull();
    expect(access.tried('ada', false, at + 60_000)).toEqual({ code: 'wrongPin', left: 4 });
  });

  it('are counted by an office that was begun anew', () => {
    const { access } = open();
    for (let wrong = 0; wrong < 5; wrong++) access.tried('ada', false, at);
    const next = new Access(() => new OfficeIndex(testSetup), access.all);
    expect(next.pausedUntil('ada', at)).toBe(at + 30_000);
  });
});

describe('an invitation', () => {
  const signIn = { id: 'aa', personId: 'ben', name: 'A browser', key: null, by: '0c' };

  it('lets one device in, and is used up by that', () => {
    const { access } = open();
    access.invite('0c', 'ben', at);
    expect(access.invited('0c', at + 1)).toEqual({ personId: 'ben' });
    access.signedIn(signIn, at + 2);
    expect(access.invited('0c', at + 3)).toEqual({ code: 'usedCode' });
    expect(access.signIn('aa')).toMatchObject({ personId: 'ben', at: at + 2 });
  });

  it('is too old after three days, and takes the place of the one before', () => {
    const { access } = open();
    access.invite('0c', 'ben', at);
    expect(access.invited('0c', at + invitationMs)).toEqual({ code: 'oldCode' });
    access.invite('0d', 'ben', at + 1);
    expect(access.invited('0c', at + 2)).toEqual({ code: 'unknownCode' });
    expect(access.invited('0d', at + 2)).toEqual({ personId: 'ben' });
  });
});

it('who is retired is let in no more, by nothing', () => {
  const { access, retire } = open();
  access.setPin('ben', hashed, { isGiven: true, at });
  access.invite('0c', 'ben', at);
  access.signedIn({ id: 'aa', personId: 'ben', name: 'A browser', key: null, by: null }, at);
  access.tried('ben', false, at);
  access.setPin('ada', hashed, { isGiven: false, at });
  retire('ben');
  expect(access.all).toMatchObject([{ kind: 'pin', id: 'ada' }]);
  expect(access.takeChanges().filter(({ now }) => now === null)).toHaveLength(4);
});

it('nobody is told a hash, and nobody of others but who runs the office', () => {
  const { access, office } = open();
  for (const id of ['ada', 'ben']) {
    access.setPin(id, hashed, { isGiven: false, at });
    access.invite(`0${id.length}${id === 'ada' ? 'a' : 'b'}0`, id, at);
    const signIn = { id: id === 'ada' ? 'aa' : 'bb', personId: id, name: 'A browser', key: 'of its own' };
    access.signedIn({ ...signIn, by: null }, at);
  }
  expect(JSON.stringify(access.seen)).not.toMatch(/hash|salt|"ff"|of its own/);
  expect(accessSeen(access.seen, member('ada'), office).signIns).toHaveLength(2);
  const seen = accessSeen(access.seen, member('ben'), office);
  for (const rows of Object.values(seen))
    expect(rows.map(({ personId }: { personId: string }) => personId)).toEqual(['ben']);
});

it('a PIN is not one’s extension, nor the end of a number of one’s own', () => {
  const { office } = open();
  const { extension } = office.people.get('ada') ?? { extension: '' };
  const line = office.setup.lines.find(({ ownerId }) => ownerId === 'ada');
  const wider = new OfficeIndex({
    ...testSetup,
    people: testSetup.people.map((person) =>
      person.id === 'ada' ? { ...person, extension: '2947' } : person,
    ),
  });
  expect(extension).not.toBe('');
  expect(weaknessFor('2947', 'ada', wider)).toMatch('everybody knows');
  expect(weaknessFor('2947', 'ada', office)).toBeNull();
  expect(weaknessFor(line?.number.slice(-4) ?? '', 'ada', office)).toMatch('everybody knows');
});
