import { languageTagOf } from '.';

it.each([
  ['Welsh', 'cy'],
  ['cymraeg ', 'cy'],
  ['Polski', 'pl'],
  ['Polish', 'pl'],
  ['Hebrew', 'he'],
  ['DE', 'de'],
  ['Yard talk', null],
  ['', null],
])('“%s” is %s', (name, tag) => {
  expect(languageTagOf(name)).toBe(tag);
});
