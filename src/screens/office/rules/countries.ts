import { homeCountries, type HomeCountry } from '@/core/numbers/numbering';

/** Countries in which an office can be, by name. */
export function countryChoices(): { value: HomeCountry; word: string }[] {
  const names = new Intl.DisplayNames('en', { type: 'region' });
  return homeCountries
    .map((value) => ({ value, word: names.of(value) ?? value }))
    .sort((a, b) => a.word.localeCompare(b.word));
}
