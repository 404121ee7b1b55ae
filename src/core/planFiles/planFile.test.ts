import { sampleOffice } from '@sample';

import { OfficeIndex } from '../office';
import { readPlanFile, writePlanFile } from '.';

const office = new OfficeIndex(sampleOffice);
const plan = office.ringPlans.get('maren')!;

describe('a ring plan as JSON', () => {
  it('comes back as it was written, for whoever it is given to', () => {
    expect(readPlanFile(writePlanFile(plan), 'maren', office)).toEqual({ ok: true, plan });
  });

  it.each([
    ['[', 'This is not JSON'],
    ['{}', 'This file is not a ring plan.'],
    ['null', 'This file is not a ring plan.'],
    ['{"format":"cendro-ring-plan","version":2}', 'Version 2 of the format is not known here.'],
    [
      '{"format":"cendro-ring-plan","version":{"toString":1}}',
      'Version “?” of the format is not known here.',
    ],
    ['{"format":"cendro-ring-plan","version":1,"plan":5}', 'At '],
    ['{"format":"cendro-ring-plan","version":1,"plan":{"__proto__":{"rules":[]}}}', 'At '],
  ])('that is %s is refused with its reason', (text, reason) => {
    const read = readPlanFile(text, 'maren', office);
    expect(read.ok ? 'read' : read.reason).toContain(reason);
  });
});
