import {
  homeCountries,
  interpretDialled,
  isExternal,
  numberingPlan,
  ukNumbering,
} from '@/core/numbers/numbering';

import { emptyOffice } from './emptyOffice';
import { freeNumbers, kindsInStock, numberKinds } from './stock';

describe('the numbers that lines are given', () => {
  it.each(homeCountries)('in %s are of its country, of the kinds there are', (country) => {
    const setup = { ...emptyOffice, numbering: { ...ukNumbering, country } };
    for (const kind of kindsInStock(setup))
      for (const number of freeNumbers(setup, kind, 5))
        expect(interpretDialled(number, numberingPlan(setup.numbering))).toEqual({
          kind: 'national',
          e164: number,
        });
  });

  it.each(numberKinds)('of the kind %s can be dialled', (kind) => {
    for (const number of freeNumbers(emptyOffice, kind, 2_000)) {
      const dialled = interpretDialled(number, numberingPlan(ukNumbering));
      expect(isExternal(dialled) && dialled.e164).toBe(number);
    }
  });

  it('are those that nobody has', () => {
    const line = {
      ...{ id: 'l', name: 'Line', ownerId: 'x', urgent: false },
      cord: { hue: 0, stroke: 'solid' as const },
    };
    const setup = {
      ...emptyOffice,
      lines: [{ ...line, number: '+441314960000' }],
      callerGroups: [{ id: 'g', name: 'G', starred: false, numbers: ['+441314960001'] }],
    };
    expect(freeNumbers(setup, 'town', 2)).toEqual(['+441314960002', '+441314960003']);
    expect(freeNumbers(setup, 'town', 9_999)).toHaveLength(2_998);
  });
});
