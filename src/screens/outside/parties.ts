import type { Contact } from '@/core/people/contacts';

/** Everybody outside with the numbers that are asked for, as choices; whoever has several is there by each, with its label. */
export const partiesWith = (
  contacts: readonly Contact[],
  isAsked: (number: string) => boolean,
): { value: string; word: string }[] =>
  contacts.flatMap(({ name, numbers }) => {
    const asked = numbers.filter(({ number }) => isAsked(number));
    return asked.map(({ label, number }) => ({
      value: number,
      word: asked.length > 1 ? `${name}, ${label}` : name,
    }));
  });
