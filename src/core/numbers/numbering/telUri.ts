import { normalisePostDial } from './postDial';

/** A tel URI taken apart. `number` has no visual separators; a global number keeps its "+". */
export type TelUri =
  | { ok: true; number: string; phoneContext?: string; extension?: string; postDial?: string }
  | { ok: false; detail: string };

const visualSeparators = /[-.()\s]/g;
/** "12#" after a semicolon is no parameter, which has a name. */
const isDigitsToSend = /^[\d*#,pw\s]+$/i;
const fail = (detail: string): TelUri => ({ ok: false, detail });

/** Reads a tel URI (RFC 3966 §3), with the older post-dial parameter (RFC 2806 §2.2). Never throws. */
export function parseTelUri(text: string): TelUri {
  const decoded = decode(text.trim());
  if (decoded === null) return fail('it has a broken % code');
  const [subscriber = '', ...rest] = decoded.replace(/^tel:/i, '').split(';');
  const parameters = rest.filter((part) => part.includes('=') || !isDigitsToSend.test(part));
  const [, called = '', after = ''] = /^([^,pw]*)(.*)$/i.exec(subscriber) ?? [];
  // What phone books write after the number: a comma or a semicolon waits, and digits follow.
  const tail = [after, ...rest.filter((part) => !parameters.includes(part)).map((part) => `;${part}`)].join(
    '',
  );
  const number = called.replace(visualSeparators, '');
  if (number === '') return fail('it holds no number');
  if (!/^(?:\+\d+|[0-9A-F*#]+)$/i.test(number)) return fail('its number has characters other than digits');
  if (/[A-F]/i.test(number)) return fail('its number has letters');

  const result: TelUri & { ok: true } = { ok: true, number };
  if (tail !== '') {
    const postDial = normalisePostDial(tail);
    if (postDial === null) return fail('its digits to send after the answer are not digits');
    result.postDial = postDial;
  }
  for (const parameter of parameters) {
    const [name = '', value = ''] = splitOnce(parameter, '=');
    switch (name.toLowerCase()) {
      case 'ext': {
        const extension = value.replace(visualSeparators, '');
        if (!/^\d{1,8}$/.test(extension)) return fail('its extension is not a number of up to 8 digits');
        result.extension = extension;
        break;
      }
      case 'postd': {
        const postDial = normalisePostDial(value);
        if (postDial === null) return fail('its digits to send after the answer are not digits');
        result.postDial = postDial;
        break;
      }
      case 'phone-context':
        result.phoneContext = value.startsWith('+')
          ? value.replace(visualSeparators, '')
          : value.toLowerCase();
        break;
    }
  }
  return result;
}

function splitOnce(text: string, separator: string): [string, string] {
  const at = text.indexOf(separator);
  return at < 0 ? [text, ''] : [text.slice(0, at), text.slice(at + 1)];
}

function decode(text: string): string | null {
  try {
    return decodeURIComponent(text);
  } catch {
    return null;
  }
}
