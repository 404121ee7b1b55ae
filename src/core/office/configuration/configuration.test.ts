import { testSetup } from '@/core/calls/exchange/tests/testOffice';
import { OfficeIndex, type Address, type OfficeSetup } from '@/core/setup';
import { retiring } from '@/core/setup/changes';
import { editOf, rowOf } from '@/core/setup/edits';

import { Configuration } from './Configuration';
import { member } from '../tests/member';
import { viewOfSetup } from '../view';
import { setupLogSeen, wholeSetupLogSeen } from './seen';

const at = Date.parse('2026-11-26T10:40:00Z');

/** Ada runs the office; Ben does not. */
function open() {
  let office = new OfficeIndex(testSetup);
  const inForce: OfficeSetup[] = [];
  const configuration = new Configuration(
    () => office,
    (setup) => {
      office = new OfficeIndex(setup);
      inForce.push(setup);
    },
  );
  const setup = () => office.setup;
  const ask = (byId: string, request: Parameters<Configuration['request']>[1]) =>
    configuration.request(member(byId), request, at);
  const change = (byId: string, id: string, given: object) =>
    ask(byId, {
      type: 'changeOffice',
      edits: [editOf(setup(), 'people', id, { ...rowOf(setup(), 'people', id), ...given })],
    });
  const retire = (byId: string, id: string) =>
    ask(byId, {
      type: 'changeOffice',
      edits: retiring(setup(), 'people', id, { table: 'people', id: 'dot' }),
    });
  return { configuration, inForce, setup, ask, change, retire };
}

describe('the office is changed', () => {
  it('by whoever runs it, at once, with a note of it; and by nobody else', () => {
    const { change, inForce, configuration } = open();
    expect(change('ben', 'ben', { role: 'owner' })).toEqual({
      ok: false,
      reason: { code: 'notYours', what: 'office' },
    });
    expect(inForce).toEqual([]);
    expect(change('ada', 'ben', { role: 'owner' })).toEqual({ ok: true });
    expect(inForce[0]?.people.find(({ id }) => id === 'ben')?.role).toBe('owner');
    expect(configuration.takeChanges()).toMatchObject([
      { table: 'setupLog', id: '1', before: null, now: { id: '1', byId: 'ada', at } },
    ]);
  });

  it('not so that it could not be run, and says where', () => {
    const { change, inForce } = open();
    expect(change('ada', 'ben', { extension: '214' })).toMatchObject({
      reason: { code: 'badOffice', problems: [{ table: 'people', id: 'ben', field: 'extension' }] },
    });
    expect(change('ada', 'ada', { administers: undefined })).toMatchObject({
      reason: { code: 'badOffice', problems: [{ table: 'people', field: 'administers' }] },
    });
    expect(inForce).toEqual([]);
  });

  it('not so that whoever asks would be out of it', () => {
    const { change, retire } = open();
    change('ada', 'ben', { administers: true });
    expect(retire('ada', 'ada')).toEqual({ ok: false, reason: { code: 'yourself' } });
    expect(retire('ben', 'ada')).toEqual({ ok: true });
    // Who runs it no more may not change it any more.
    expect(change('ada', 'ben', { role: 'x' })).toMatchObject({ reason: { code: 'notYours' } });
  });

  it('back, one by one and to any moment, also after a restart', () => {
    const { change, retire, ask, setup, configuration } = open();
    change('ada', 'ben', { role: 'owner' });
    retire('ada', 'cleo');
    expect(ask('ada', { type: 'undoChange', entryId: '2' })).toEqual({ ok: true });
    expect(
      setup()
        .people.map(({ id }) => id)
        .sort(),
    ).toEqual(['ada', 'ben', 'cleo', 'dot']);
    expect(setup().people.find(({ id }) => id === 'ben')?.role).toBe('owner');
    const kept = configuration.takeChanges().flatMap(({ now }) => now ?? []);
    const again = open();
    again.configuration.load([...kept].reverse());
    expect(again.change('ada', 'dot', { role: 'boss' })).toEqual({ ok: true });
    expect(again.configuration.takeChanges()[0]?.id).toBe('4');
    expect(ask('ada', { type: 'goBackBefore', entryId: '1' })).toEqual({ ok: true });
    expect(new OfficeIndex(setup()).people).toEqual(new OfficeIndex(testSetup).people);
    expect(ask('ada', { type: 'undoChange', entryId: '99' })).toMatchObject({
      reason: { code: 'unknownEntry' },
    });
  });

  it('which only whoever runs it is told of', () => {
    const { change, configuration } = open();
    change('ada', 'ben', { role: 'owner' });
    const changes = configuration.takeChanges();
    expect(setupLogSeen(changes, 'ada', configuration)).toHaveLength(1);
    expect(setupLogSeen(changes, 'ben', configuration)).toEqual([]);
    expect(wholeSetupLogSeen('ben', configuration)).toEqual([]);
    expect(wholeSetupLogSeen('ada', configuration)).toHaveLength(1);
  });
});

describe('where a phone is', () => {
  const address: Address = {
    ...{
      country: 'GB',
      street: 'Weir Lane 4',
      detail: '',
      locality: 'Cawder',
      region: '',
      postcode: 'EH1 1AA',
    },
  };
  const phone = (setup: OfficeSetup, id: string) => setup.devices.find((device) => device.id === id);

  it('is said by whose it is, or who runs the office, with when; help is sent there', () => {
    const { ask, setup } = open();
    expect(ask('ben', { type: 'setPlace', deviceId: 'ben-desk', address })).toEqual({ ok: true });
    expect(phone(setup(), 'ben-desk')).toMatchObject({
      location: 'Weir Lane 4, Cawder, EH1 1AA',
      place: { ...address, at },
    });
    expect(
      ask('ada', { type: 'setPlace', deviceId: 'ben-desk', address: { ...address, detail: 'Yard' } }),
    ).toEqual({
      ok: true,
    });
    expect(ask('ben', { type: 'setPlace', deviceId: 'cleo-desk', address })).toEqual({
      ok: false,
      reason: { code: 'notYours', what: 'office' },
    });
  });

  it('is not kept where nobody could find it', () => {
    const { ask, inForce } = open();
    expect(
      ask('ben', { type: 'setPlace', deviceId: 'ben-desk', address: { ...address, street: '' } }),
    ).toEqual({
      ok: false,
      reason: { code: 'badAddress', sentence: 'Street and number is missing.' },
    });
    expect(inForce).toEqual([]);
  });

  it('is told to nobody but them', () => {
    const { ask, setup } = open();
    ask('ben', { type: 'setPlace', deviceId: 'ben-desk', address });
    const office = new OfficeIndex(setup());
    const seenBy = (id: string) => phone(viewOfSetup(member(id), office), 'ben-desk');
    expect(seenBy('cleo')).not.toHaveProperty('place');
    expect(seenBy('cleo')).not.toHaveProperty('location');
    expect(seenBy('ben')).toHaveProperty('place');
    expect(seenBy('ada')).toHaveProperty('place');
  });
});
