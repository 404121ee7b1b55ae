import { OfficeIndex } from '@/core/setup';
import { sampleOfficeForTests } from './cpl/tests/testOffice';
import { readPlanFile, writePlanFile } from '.';

const office = new OfficeIndex(sampleOfficeForTests);
const plan = office.ringPlans.get('ada')!;

describe('a ring plan as JSON', () => {
  it('comes back as it was written, for whoever it is given to', () => {
    expect(readPlanFile(writePlanFile(plan), 'ada', office)).toEqual({ ok: true, plan });
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
    const read = readPlanFile(text, 'ada', office);
    expect(read.ok ? 'read' : read.reason).toContain(reason);
  });
});
