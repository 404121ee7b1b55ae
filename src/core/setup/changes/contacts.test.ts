import { testSetup } from '@/core/calls/exchange/tests/testOffice';

import { OfficeIndex } from '../OfficeIndex';
import { withContact, withoutContact } from './contacts';
import { placeEdits } from './place';
import { retiring } from './retiring';
import { withRow } from '../edits';

const app = testSetup.devices.find(({ kind, personId }) => kind === 'app' && personId === 'ada')?.id ?? '';
const two = withContact(withContact(testSetup, 'ada', { id: 'one', name: 'Chrome' }), 'ada', {
  ...{ id: 'two', name: 'Chrome' },
});

describe('an app that is signed in at several places', () => {
  it('is each of them where calls go, and itself where plans are made', () => {
    const office = new OfficeIndex(two);
    const ids = (devices: readonly { id: string }[]) => devices.map(({ id }) => id);
    expect(ids(office.devicesOf('ada'))).toEqual(expect.arrayContaining(['one', 'two']));
    expect(ids(office.devicesOf('ada'))).not.toContain(app);
    expect(ids(office.phonesOf('ada'))).toEqual(ids(new OfficeIndex(testSetup).devicesOf('ada')));
    expect(office.reachedAt(app)).toEqual(['one', 'two']);
    expect(office.reachedAt('one')).toEqual(['one']);
    expect(office.phoneOf('two')).toBe(app);
    expect(office.asPlanned().setup.devices).toEqual(testSetup.devices);
  });

  it('has names that can be told apart, and is no second one where it is there already', () => {
    expect(two.devices.slice(-2).map(({ name }) => name)).toEqual(['Chrome', 'Chrome 2']);
    expect(withContact(two, 'ada', { id: 'one', name: 'Other' })).toBe(two);
    expect(withContact(two, 'nobody', { id: 'three', name: 'Chrome' })).toBe(two);
  });

  it('of one that is gone what happened there keeps its name and its phone; no other phone is taken out so', () => {
    const after = withoutContact(two, 'two');
    const office = new OfficeIndex(after);
    expect(office.reachedAt(app)).toEqual(['one']);
    expect([office.ever.devices.get('two')?.name, office.phoneOf('two')]).toEqual(['Chrome 2', app]);
    expect(withoutContact(two, app)).toBe(two);
  });

  it('stays where its person is changed, and goes with them or their app', () => {
    const ada = two.people.find(({ id }) => id === 'ada');
    if (!ada) throw new Error('Ada is missing.');
    const phones = new OfficeIndex(two).phonesOf('ada').map(({ id }) => id);
    const place = {
      ...{ name: 'Ada B', role: '', extension: ada.extension, presentedLineId: ada.presentedLineId },
      ...{ phones, teamIds: [], administers: true },
    };
    const left = (edits: readonly Parameters<typeof withRow>[1][]) =>
      edits.reduce(withRow, two).devices.filter(({ contactOf }) => contactOf === app).length;
    expect(left(placeEdits(two, ada, place))).toBe(2);
    expect(left(placeEdits(two, ada, { ...place, phones: phones.filter((id) => id !== app) }))).toBe(0);
    expect(left(retiring(two, 'people', 'ada', null))).toBe(0);
  });
});
