import { numberingPlan, ukNumbering } from '@/core/numbers/numbering';

import { emptyOffice } from './emptyOffice';
import { isAbroad, whyNotCalled, type Outward } from './outward';

const rate = (prefix: string, name: string, pence: number) => ({
  ...{ prefix, name, perMinuteMicros: pence * 10_000, connectionFeeMicros: 0, incrementSeconds: 1 },
});
const office = (outward?: Outward) => ({
  zone: 'Europe/London',
  numbering: ukNumbering,
  rates: {
    currency: 'GBP',
    rates: [
      rate('+44', 'UK', 1),
      rate('+447', 'UK mobile', 12),
      rate('+353', 'Ireland', 2),
      rate('+', 'elsewhere', 38),
    ],
  },
  policies: {
    ...emptyOffice.policies,
    barred: [{ prefix: '+4490', why: 'premium numbers' }],
    ...(outward && { outward }),
  },
});
/** A Thursday, 10:40 in London. */
const morning = Date.UTC(2026, 10, 26, 10, 40);
const night = Date.UTC(2026, 10, 26, 22, 40);
const [ireland, uk, mobile, far] = ['+35312345678', '+441314960142', '+447700900321', '+8612345678'];
const ada = { personId: 'ada', at: morning };

describe('which numbers may be called', () => {
  it('are all but those that nobody may, where nothing else is said', () => {
    for (const number of [ireland, uk, mobile, far, '101'])
      expect(whyNotCalled(office(), number, ada)).toBeNull();
    expect(whyNotCalled(office(), '+449012345678', ada)).toBe('premium numbers');
  });

  it('are those of some countries, and always those of the own one', () => {
    const some = office({ countries: ['+353'] });
    expect(whyNotCalled(some, ireland, ada)).toBeNull();
    expect(whyNotCalled(some, uk, ada)).toBeNull();
    expect(whyNotCalled(some, far, ada)).toBe('numbers of that country');
    expect(whyNotCalled(office({ countries: [] }), ireland, ada)).toBe('numbers in Ireland');
  });

  it('are those that cost no more than so much', () => {
    const cheap = office({ mostPerMinuteMicros: 120_000 });
    expect(whyNotCalled(cheap, mobile, ada)).toBeNull();
    expect(whyNotCalled(cheap, far, ada)).toBe('numbers that cost more than 12 p a minute');
    expect(whyNotCalled(office({ mostPerMinuteMicros: 110_000 }), mobile, ada)).not.toBeNull();
  });

  it('are none abroad while they are locked, by the office’s clock', () => {
    const locked = office({ lockedAbroad: [{ days: [1, 2, 3, 4, 5], from: '18:00', to: '24:00' }] });
    expect(whyNotCalled(locked, ireland, ada)).toBeNull();
    expect(whyNotCalled(locked, ireland, { ...ada, at: night })).toBe('numbers abroad at this hour');
    expect(whyNotCalled(locked, uk, { ...ada, at: night })).toBeNull();
    // At some hour it may be called.
    expect(whyNotCalled(locked, ireland, { ...ada, at: null })).toBeNull();
  });

  it('bind those not who are left out of it, but for what nobody may call', () => {
    const bound = office({ countries: [], mostPerMinuteMicros: 0, exceptIds: ['ada'] });
    expect(whyNotCalled(bound, far, ada)).toBeNull();
    expect(whyNotCalled(bound, far, { ...ada, personId: 'ben' })).not.toBeNull();
    expect(whyNotCalled(bound, far, { ...ada, personId: null })).not.toBeNull();
    expect(whyNotCalled(bound, '+449012345678', ada)).toBe('premium numbers');
  });

  it('abroad is what begins with another country; short numbers are at home', () => {
    expect(
      [ireland, far, uk, '101', '999'].map((number) => isAbroad(number, numberingPlan(ukNumbering))),
    ).toEqual([true, true, false, false, false]);
  });
});
