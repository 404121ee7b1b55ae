import type { CountryCode } from 'libphonenumber-js/min';

/** What is dialled in a country, beyond its numbers. */
interface Country {
  /** What help is called by. */
  emergency: readonly string[];
  /** What stands before a number within the country; null where nothing does. */
  trunk: string | null;
  shortCode?: RegExp;
  withhold?: { withholdPrefix: string; presentPrefix: string };
}

/** The numbers of social value that Europe has in common (2007/116/EC). */
const europeanShortCode = /^116\d{3}$/;
const british = {
  emergency: ['999', '112'],
  trunk: '0',
  shortCode: /^(?:10[015]|11[19]|116\d{3}|118\d{3})$/,
  // Ofcom, National Telephone Numbering Plan.
  withhold: { withholdPrefix: '141', presentPrefix: '1470' },
};

/** The countries whose short numbers are known here, with how help is called there (ITU-T E.129 presentations of national plans). */
const countries = {
  GB: british,
  IE: {
    emergency: ['112', '999'],
    trunk: '0',
    shortCode: europeanShortCode,
    withhold: { withholdPrefix: '141', presentPrefix: '142' },
  },
  AT: { emergency: ['112', '122', '133', '144'], trunk: '0', shortCode: europeanShortCode },
  AU: { emergency: ['000', '112'], trunk: '0' },
  BE: { emergency: ['112', '100', '101'], trunk: '0', shortCode: europeanShortCode },
  CA: { emergency: ['911'], trunk: '1', shortCode: /^[2-8]11$/ },
  CH: { emergency: ['112', '117', '118', '144'], trunk: '0', shortCode: europeanShortCode },
  DE: { emergency: ['112', '110'], trunk: '0', shortCode: europeanShortCode },
  DK: { emergency: ['112'], trunk: null, shortCode: europeanShortCode },
  ES: { emergency: ['112'], trunk: null, shortCode: europeanShortCode },
  FI: { emergency: ['112'], trunk: '0', shortCode: europeanShortCode },
  FR: { emergency: ['112', '15', '17', '18'], trunk: '0', shortCode: europeanShortCode },
  IT: { emergency: ['112'], trunk: null, shortCode: europeanShortCode },
  NL: { emergency: ['112'], trunk: '0', shortCode: europeanShortCode },
  NO: { emergency: ['112', '110', '113'], trunk: null, shortCode: europeanShortCode },
  NZ: { emergency: ['111'], trunk: '0' },
  PL: { emergency: ['112', '997', '998', '999'], trunk: null, shortCode: europeanShortCode },
  PT: { emergency: ['112'], trunk: null, shortCode: europeanShortCode },
  SE: { emergency: ['112'], trunk: '0', shortCode: europeanShortCode },
  US: { emergency: ['911'], trunk: '1', shortCode: /^[2-8]11$/ },
} satisfies Partial<Record<CountryCode, Country>>;

/** Countries in which an office can be, as ISO 3166-1 codes. */
export type HomeCountry = keyof typeof countries;
export const homeCountries = Object.keys(countries) as [HomeCountry, ...HomeCountry[]];

export const dialledIn = (country: HomeCountry): Country => countries[country];
