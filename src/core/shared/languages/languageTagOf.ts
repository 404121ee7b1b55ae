const letters = 'abcdefghijklmnopqrstuvwxyz';
/** All that could be a language's tag of two letters (ISO 639-1); most are none. */
const pairs = [...letters].flatMap((first) => [...letters].map((second) => first + second));

const found = new Map<string, string | null>();

/**
 * The tag (BCP 47) of a language that is named in English or in itself: “Welsh” and “Cymraeg” are “cy”. A tag stands for itself; null: it is
 * none that is known. Names are those of CLDR, as the runtime has them.
 */
export function languageTagOf(name: string): string | null {
  const key = name.trim().toLowerCase();
  const before = found.get(key);
  if (before !== undefined) return before;
  const tag = find(key);
  found.set(key, tag);
  return tag;
}

function find(key: string): string | null {
  const inEnglish = new Intl.DisplayNames('en', { type: 'language', fallback: 'none' });
  for (const tag of pairs) {
    const english = inEnglish.of(tag);
    // Old tags lead to those of now: “iw” is Hebrew too.
    if (english === undefined || new Intl.Locale(tag).language !== tag) continue;
    const own = new Intl.DisplayNames(tag, { type: 'language', fallback: 'none' }).of(tag);
    if ([tag, english.toLowerCase(), own?.toLowerCase()].includes(key)) return tag;
  }
  return null;
}
