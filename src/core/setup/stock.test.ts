import { interpretDialled, isExternal, ukOfficePlan } from '@/core/numbers/numbering';

import { emptyOffice } from './emptyOffice';
import { freeNumbers, numberKinds } from './stock';

describe('the numbers that lines are given', () => {
  it.each(numberKinds)('of the kind %s can be dialled', (kind) => {
    for (const number of freeNumbers(emptyOffice, kind, 2_000)) {
      const dialled = interpretDialled(number, ukOfficePlan);
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
