import fc from 'fast-check';

import { formatNumber, numberingPlan, ukNumbering } from '@/core/numbers/numbering';
import { emptyFields } from '@/core/people/contacts';

import { asForm, blankForm, contactFormSchema, fromForm, type ContactForm } from './contactForm';

const plan = numberingPlan(ukNumbering);
const write = (number: string) => formatNumber(number, plan);
const { kept, ...blank } = emptyFields();
const peg = {
  ...blank,
  name: 'Peg Anstey',
  firm: 'Lathmoor Farm',
  numbers: [
    { label: 'home', number: '+441174960155' },
    { label: 'work', number: '+441314960142', tail: ';ext=42' },
    { label: 'gate', number: '+447700900155', tail: ';postd=pp7#' },
  ],
  mails: ['peg@lathmoor.example'],
  places: ['Weir Lane 1, Cawder'],
  groups: ['Farms', 'North'],
  note: 'Two gates',
};
const problems = (form: ContactForm) => {
  const parsed = contactFormSchema(plan).safeParse(form);
  return parsed.success
    ? []
    : parsed.error.issues.map(({ path, message }) => `${path.join('.')}: ${message}`);
};

describe('the form of a contact', () => {
  it('shows numbers as they are read, and gives back what it was given', () => {
    const form = asForm(peg, write);
    expect(form.numbers.map(({ written }) => written)).toEqual([
      '0117 496 0155',
      '0131 496 0142 ext 42',
      'tel:+447700900155;postd=pp7#',
    ]);
    expect(problems(form)).toEqual([]);
    expect(fromForm(form, plan)).toEqual(peg);
  });

  it('leaves out empty rows and needless blanks; a firm alone is the name', () => {
    const form = {
      ...blankForm(null, write),
      firm: ' Skerrow Harbour ',
      mails: [{ value: ' ' }, { value: 'a@b.example' }],
      groups: ' Boats ,, ',
    };
    expect(fromForm(form, plan)).toEqual({
      ...blank,
      name: 'Skerrow Harbour',
      mails: ['a@b.example'],
      groups: ['Boats'],
    });
  });

  it('begins with the number that has called', () => {
    expect(blankForm('+447700900777', write).numbers).toEqual([{ label: 'mobile', written: '07700 900777' }]);
  });

  it('says at each field what is wrong with it', () => {
    expect(
      problems({
        ...blankForm(null, write),
        name: 'Peg',
        numbers: [
          { label: 'work', written: '0131 496 0142' },
          { label: 'work', written: 'ring the bell' },
          { label: 'work', written: '' },
        ],
        mails: [{ value: 'peg' }],
      }),
    ).toEqual([
      'numbers.1.written: “ring the bell” is not a phone number outside the office.',
      'mails.0.value: That is not a mail address: it needs a name, an @ and a place.',
    ]);
    expect(problems(blankForm(null, write))).toEqual([
      'name: A name or a firm is needed to find them again.',
    ]);
  });

  it('never makes of what it accepts a contact without a name, or with a number that is none', () => {
    const row = fc.record({
      label: fc.constant('work'),
      written: fc.constantFrom('', '0131 496 0142', '999', 'x'),
    });
    fc.assert(
      fc.property(fc.string(), fc.string(), fc.array(row), (name, firm, numbers) => {
        const form = { ...blankForm(null, write), name, firm, numbers };
        if (!contactFormSchema(plan).safeParse(form).success) return;
        const fields = fromForm(form, plan);
        expect(fields.name).not.toBe('');
        for (const { number } of fields.numbers) expect(number).toMatch(/^\+\d{8,15}$/);
      }),
    );
    expect(kept).toEqual([]);
  });
});
