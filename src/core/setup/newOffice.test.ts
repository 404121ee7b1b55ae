import { newOffice, newOfficeSchema, OfficeIndex, officeSetupSchema, type NewOffice } from '.';
import { planProblems } from './problems';

const asked: NewOffice = {
  ...{
    name: ' Tarn Edge Nurseries ',
    zone: 'Europe/London',
    personName: 'Ada Ferris',
    extension: '201',
    country: 'GB',
  },
  ...{ lineName: 'Orders', number: '+441632960150' },
};

describe('an office that is begun', () => {
  it('has somebody whose app rings for its line and its extension, with nothing wrong in it', () => {
    const setup = newOffice(asked);
    expect(officeSetupSchema.parse(setup)).toEqual(setup);
    const office = new OfficeIndex(setup);
    expect(setup.name).toBe('Tarn Edge Nurseries');
    const [line] = setup.lines;
    const owner = office.people.get(line?.ownerId ?? '');
    expect(owner?.name).toBe('Ada Ferris');
    const plan = office.ringPlans.get(owner?.id ?? '');
    const [device] = office.devicesOf(owner?.id ?? '');
    expect(
      plan?.rules[0]?.stages[0]?.targets.map((target) => 'deviceId' in target && target.deviceId),
    ).toEqual([device?.id]);
    expect(plan && planProblems(plan, office)).toEqual([]);
  });

  it('in another country reads its numbers, and calls help, as they do there', () => {
    const { numbering } = newOffice({ ...asked, country: 'US', number: '+12025550147' });
    expect(numbering).toMatchObject({ country: 'US', emergency: ['911'] });
  });

  it.each([
    ['country', 'XX'],
    ['name', '  '],
    ['zone', 'Europe/Atlantis'],
    ['personName', ''],
    ['extension', '12'],
    ['lineName', 'x'.repeat(61)],
    ['number', '0131 496'],
  ] as const)('is not, where its %s is “%s”', (field, value) => {
    const read = newOfficeSchema.safeParse({ ...asked, [field]: value });
    expect(read.error?.issues.map(({ path }) => path)).toEqual([[field]]);
  });
});
