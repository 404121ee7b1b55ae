import fc from 'fast-check';
import { parsePhoneNumberFromString } from 'libphonenumber-js/min';

import {
  formatAsTyped,
  formatDialled,
  formatNumber,
  interpretDialled,
  isDialable,
  normalisePostDial,
  postDialSchedule,
  dialledIn,
  homeCountries,
  numberingPlan,
  numberingSchema,
  ukNumbering,
  type HomeCountry,
  type Numbering,
  type Dialled,
  takesTexts,
} from '.';

const plan = numberingPlan(ukNumbering);
const read = (text: string) => interpretDialled(text, plan);

describe('what was dialled', () => {
  it.each([
    ['0131 496 0142', { kind: 'national', e164: '+441314960142' }],
    ['+44 (0)131 496-0142', { kind: 'national', e164: '+441314960142' }],
    ['0044 131 496 0142', { kind: 'national', e164: '+441314960142' }],
    ['(0131) 496.0142', { kind: 'national', e164: '+441314960142' }],
    ['07700 900214', { kind: 'national', e164: '+447700900214' }],
    ['+1 202 555 0123', { kind: 'international', e164: '+12025550123' }],
    ['0061 491 570 156', { kind: 'international', e164: '+61491570156' }],
    ['0131 496 0142', { kind: 'national', e164: '+441314960142' }],
    ['01314960142', { kind: 'national', e164: '+441314960142' }],
  ])('%s is an external number', (text, expected) => {
    expect(read(text)).toMatchObject(expected);
  });

  it('knows extensions, service codes, short numbers and emergency numbers by their form', () => {
    expect(read('214')).toEqual({ kind: 'extension', extension: '214' });
    expect(read('*8401')).toEqual({ kind: 'service', code: '*8401', scope: 'office' });
    expect(read('101')).toEqual({ kind: 'service', code: '101', scope: 'network' });
    expect(read('999')).toEqual({ kind: 'emergency', number: '999' });
    expect(read(' 112 ')).toEqual({ kind: 'emergency', number: '112' });
  });

  it('a withheld caller cannot be dialled', () => {
    expect(read('Withheld')).toEqual({ kind: 'withheld' });
    expect(isDialable(read('anonymous'))).toBe(false);
  });

  it('a prefix withholds or presents the number for one call', () => {
    expect(read('141 0131 496 0142')).toMatchObject({ e164: '+441314960142', withhold: true });
    expect(read('1470 0131 496 0142')).toMatchObject({ e164: '+441314960142', withhold: false });
  });

  it('reads a pasted link with its extension', () => {
    expect(read('tel:+44-131-496-0142;ext=214')).toEqual({
      kind: 'national',
      e164: '+441314960142',
      extension: '214',
    });
    expect(read('tel:214;phone-context=office.orrinvale.example')).toEqual({
      kind: 'extension',
      extension: '214',
    });
    expect(read('tel:0142;phone-context=+44131496')).toMatchObject({ e164: '+44131496142' });
  });

  it('reads digits to send after the answer', () => {
    expect(read('0131 496 0142,,214#')).toMatchObject({ e164: '+441314960142', postDial: 'pppp214#' });
    expect(read('0131 496 0142 p 2 w 31')).toMatchObject({ postDial: 'p2w31' });
    expect(read('tel:+441314960142;postd=22')).toMatchObject({ postDial: 'p22' });
    // As phone books and web pages write links, beyond what RFC 3966 has.
    expect(read('tel:+441314960142,,12#')).toMatchObject({ e164: '+441314960142', postDial: 'pppp12#' });
    expect(read('tel:+441314960142;12')).toMatchObject({ e164: '+441314960142', postDial: 'w12' });
    expect(read('tel:+441314960142,1;ext=7')).toMatchObject({ extension: '7', postDial: 'pp1' });
    expect(read('tel:+441314960142,x')).toMatchObject({ kind: 'invalid', reason: { code: 'badUri' } });
    expect(read('0131 496 0142 ext. 214')).toMatchObject({ extension: '214' });
  });

  it.each([
    ['gate house', 'letters'],
    ['0131 496 014?', 'character'],
    ['01+31', 'character'],
    ['12', 'tooShort'],
    ['*', 'tooShort'],
    ['013149601420000', 'tooLong'],
    ['+999123456', 'unknownCountry'],
    ['1'.repeat(400), 'tooLong'],
    ['0131 496 0142,hello', 'badPostDial'],
    ['tel:+44-131-gate', 'badUri'],
    ['tel:%zz', 'badUri'],
  ])('%s is refused with its reason', (text, code) => {
    expect(read(text)).toMatchObject({ kind: 'invalid', reason: { code } });
  });

  it('names the character to blame and where it stands', () => {
    expect(read('0131?496')).toMatchObject({ reason: { character: '?', atCharacter: 4 } });
  });

  it('dials 15 digits where the country allows them, and says too long where it does not', () => {
    expect(read('+491234567890123')).toMatchObject({ kind: 'international', e164: '+491234567890123' });
    expect(read('+441314960142000')).toMatchObject({ kind: 'invalid', reason: { code: 'tooLong' } });
  });
});

const digits = (length: number) => fc.stringMatching(new RegExp(`^[0-9]{${length}}$`));
const postDial = fc.stringMatching(/^[pw][0-9A-D*#]{1,6}[pw0-9]{0,3}[0-9]$/);
const tail = fc.record({ extension: fc.stringMatching(/^[0-9]{1,6}$/), postDial }, { requiredKeys: [] });
const external = fc
  .tuple(
    fc.oneof(
      fc
        .tuple(fc.constantFrom('0131496', '0117496', '0191498'), digits(4))
        .map(([area, rest]) => `${area}${rest}`),
      digits(3).map((rest) => `07700900${rest}`),
      digits(2).map((rest) => `+120255501${rest}`),
      digits(3).map((rest) => `+61491570${rest}`),
      digits(11).map((rest) => `+49${rest.replace(/^0/, '1')}`),
    ),
    tail,
  )
  .map(([number, extra]): Dialled => ({ ...interpretDialled(number, plan), ...extra }) as Dialled);
const dialable: fc.Arbitrary<Dialled> = fc.oneof(
  external,
  digits(2).map((rest): Dialled => ({ kind: 'extension', extension: `2${rest}` })),
  fc
    .stringMatching(/^[*#][0-9*#]{1,8}$/)
    .map((code): Dialled => ({ kind: 'service', code, scope: 'office' })),
  fc.constantFrom('999', '112').map((number): Dialled => ({ kind: 'emergency', number })),
);

/** RFC 3966 §3: "#" would begin a URI's fragment. */
function asTelUri(dialled: Dialled): string {
  const tail = 'postDial' in dialled && dialled.postDial ? `;postd=${dialled.postDial}` : '';
  const within = ';phone-context=office.example';
  const subscriber =
    'e164' in dialled
      ? `${dialled.e164}${dialled.extension ? `;ext=${dialled.extension}` : ''}`
      : dialled.kind === 'extension'
        ? `${dialled.extension}${within}`
        : dialled.kind === 'service'
          ? `${dialled.code}${within}`
          : dialled.kind === 'emergency'
            ? `${dialled.number};phone-context=+44`
            : '';
  return `tel:${subscriber}${tail}`.replaceAll('#', '%23');
}

describe('writing and reading are inverse', () => {
  it('for tel URIs', () => {
    fc.assert(
      fc.property(dialable, (dialled) => {
        expect(read(asTelUri(dialled))).toEqual(dialled);
      }),
    );
  });

  it('for numbers as people write them, with withhold prefix', () => {
    fc.assert(
      fc.property(dialable, fc.constantFrom(undefined, true, false), (dialled, withhold) => {
        const asked = 'e164' in dialled && withhold !== undefined ? { ...dialled, withhold } : dialled;
        expect(read(formatDialled(asked, plan))).toEqual(asked);
      }),
    );
  });
});

describe('any string', () => {
  const anything = fc.oneof(
    fc.string({ unit: 'binary' }),
    fc.stringMatching(/^[0-9+*#(),;pw .\-tel:=x%]{0,40}$/),
    fc.string().map((rest) => `tel:${rest}`),
  );

  it('never throws, and what is dialable can be written and read again', () => {
    fc.assert(
      fc.property(anything, (text) => {
        const dialled = read(text);
        expect(typeof formatAsTyped(text, plan)).toBe('string');
        if (!isDialable(dialled)) return;
        const written = formatDialled(dialled, plan);
        expect(written).not.toBe('');
        if (dialled.kind === 'national' || dialled.kind === 'international') {
          expect(dialled.e164).toMatch(/^\+\d{2,15}$/);
          expect(read(written)).toMatchObject({ e164: dialled.e164 });
        }
      }),
      { numRuns: 2000 },
    );
  });

  it('is a number of the home country just where the numbering plan says so', () => {
    fc.assert(
      fc.property(fc.stringMatching(/^(?:\+44|0044|0)[0-9]{0,12}$/), (text) => {
        const dialled = read(text);
        const parsed = parsePhoneNumberFromString(text.replace(/^00/, '+'), {
          defaultCountry: 'GB',
          extract: false,
        });
        const isNumber = dialled.kind === 'national' || dialled.kind === 'international';
        expect(isNumber ? dialled.e164 : null).toBe(parsed?.isPossible() ? parsed.number : null);
      }),
      { numRuns: 1000 },
    );
  });

  it('formatting while typing changes no digit', () => {
    fc.assert(
      fc.property(fc.stringMatching(/^\+?[0-9 ]{0,20}$/), (text) => {
        const keep = (value: string) => value.replace(/[^0-9+]/g, '');
        expect(keep(formatAsTyped(text, plan))).toBe(keep(text));
      }),
    );
  });
});

describe('as written', () => {
  it('groups digits while they are typed', () => {
    expect(formatAsTyped('01314960142', plan)).toBe('0131 496 0142');
    expect(formatAsTyped('+441314960142', plan)).toBe('+44 131 496 0142');
    expect(formatAsTyped('214', plan)).toBe('214');
    expect(formatAsTyped('Peg', plan)).toBe('Peg');
  });

  it('writes home numbers nationally and others internationally', () => {
    expect(formatNumber('+441314960142', plan)).toBe('0131 496 0142');
    expect(formatNumber('+12025550123', plan)).toBe('+1 202 555 0123');
  });
});

describe('digits after the answer', () => {
  it('keep their pauses in time', () => {
    expect(postDialSchedule('p21w3')).toEqual([
      { digit: '2', afterMs: 1000 },
      { digit: '1', afterMs: 1150 },
      { digit: '3', afterMs: 4300 },
    ]);
  });

  it('are refused when they hold no digit', () => {
    expect(normalisePostDial(',,')).toBeNull();
    expect(normalisePostDial('12x')).toBeNull();
  });
});

describe('whether a number takes texts', () => {
  it.each([
    ['+447700900333', true],
    ['+447624900333', true],
    ['+447012345678', false],
    ['+447612345678', false],
    ['+441314960120', false],
    ['+12025550147', true],
  ])('%s: %s', (number, takes) => expect(takesTexts(number)).toBe(takes));
});

describe('an office elsewhere', () => {
  const at = (country: HomeCountry, more: Partial<Numbering> = {}) =>
    numberingPlan({ ...ukNumbering, country, emergency: [...dialledIn(country).emergency], ...more });

  it.each([
    ['US', '(202) 555-0147', '+12025550147', '(202) 555-0147'],
    ['US', '1 202 555 0147', '+12025550147', '(202) 555-0147'],
    ['US', '011 44 131 496 0142', '+441314960142', '+44 131 496 0142'],
    ['AU', '0011 44 131 496 0142', '+441314960142', '+44 131 496 0142'],
    ['AU', '02 5550 0123', '+61255500123', '(02) 5550 0123'],
    ['IE', '0044 131 496 0142', '+441314960142', '+44 131 496 0142'],
    ['ES', '910 123 456', '+34910123456', '910 12 34 56'],
    ['IT', '06 1234 5678', '+390612345678', '06 1234 5678'],
  ] as const)('in %s reads %s as %s, and writes it so', (country, typed, e164, written) => {
    const plan = at(country);
    expect(interpretDialled(typed, plan)).toMatchObject({ e164 });
    expect(formatNumber(e164, plan)).toBe(written);
  });

  it.each(homeCountries)('in %s knows how help is called, and reads again what it has written', (country) => {
    const plan = at(country);
    for (const number of plan.emergency)
      expect(interpretDialled(number, plan)).toEqual({ kind: 'emergency', number });
    for (const e164 of ['+441314960142', '+12025550147', '+61491570156', '+35312345678'])
      expect(interpretDialled(formatNumber(e164, plan), plan)).toMatchObject({ e164 });
  });

  it('has extensions that begin as it says, and no 141 where that withholds nothing', () => {
    const plan = at('US', { extensions: { begin: ['3', '41'], least: 4, most: 4 } });
    const kinds = ['3001', '4199', '214', '300', '30001', '4001'].map(
      (typed) => interpretDialled(typed, plan).kind,
    );
    expect(kinds).toEqual(['extension', 'extension', 'invalid', 'invalid', 'invalid', 'invalid']);
    expect(interpretDialled('999', plan).kind).not.toBe('emergency');
    expect(interpretDialled('141 0131 496 0142', at('IE'))).toMatchObject({ withhold: true });
    expect(interpretDialled('141 0131 496 0142', at('DE'))).not.toHaveProperty('withhold');
  });

  it('calls help by its country’s own numbers, whatever else the office says', () => {
    const plan = at('GB', { emergency: ['555'] });
    for (const number of ['999', '112', '555'])
      expect(interpretDialled(number, plan)).toEqual({ kind: 'emergency', number });
    expect(interpretDialled('999', at('GB', { extensions: { begin: ['9'], least: 3, most: 3 } })).kind).toBe(
      'emergency',
    );
  });

  it.each([
    { extensions: { begin: ['0'], least: 3, most: 4 } },
    { extensions: { begin: [], least: 3, most: 4 } },
    { extensions: { begin: ['2'], least: 5, most: 4 } },
    { emergency: [] },
    { services: { ...ukNumbering.services, join: '84' } },
  ])('can’t be %j', (wrong) => {
    expect(numberingSchema.safeParse({ ...ukNumbering, ...wrong }).success).toBe(false);
  });
});

describe('numbers written internationally', () => {
  const plan = numberingPlan(ukNumbering, 'international');

  it('have the country in front at home too, and are read again', () => {
    expect(formatNumber('+441314960142', plan)).toBe('+44 131 496 0142');
    expect(formatNumber('+12025550123', plan)).toBe('+1 202 555 0123');
    expect(interpretDialled('+44 131 496 0142', plan)).toEqual({ kind: 'national', e164: '+441314960142' });
    expect(formatDialled({ kind: 'national', e164: '+441314960142' }, plan)).toBe('+44 131 496 0142');
  });
});
