import {
  Metadata,
  ParseError,
  parsePhoneNumberWithError,
  validatePhoneNumberLength,
} from 'libphonenumber-js/min';

import type { Dialled, ExternalNumber, InvalidReason } from './dialled';
import type { NumberingPlan } from './plan';
import { normalisePostDial } from './postDial';
import { parseTelUri } from './telUri';

const longestInput = 300;
const withheldWords = /^(?:withheld|anonymous|private number|number withheld)$/i;
const separators = /[\s().\-/\u00ad\u2010-\u2015\u2212]/g;
const extensionSuffix = /(?:;ext=|\s*(?:\bext(?:ension)?|\bextn|\bx)[.:]?\s*)(\d{1,8})$/i;

const invalid = (reason: InvalidReason): Dialled => ({ kind: 'invalid', reason });

/**
 * Understands whatever was typed, pasted or linked as something to dial: an extension, a national or
 * international number, a service code, an emergency number, a tel URI (RFC 3966). Never throws.
 * A number only has to be possible in length; it need not lie in an assigned range.
 */
export function interpretDialled(input: string, plan: NumberingPlan): Dialled {
  if (input.length > longestInput) return invalid({ code: 'tooLong' });
  const text = input.normalize('NFKC').trim();
  if (text === '') return { kind: 'empty' };
  if (withheldWords.test(text)) return { kind: 'withheld' };
  if (/^tel:/i.test(text)) return interpretTelUri(text, plan);
  return interpretWritten(text, plan);
}

function interpretTelUri(text: string, plan: NumberingPlan): Dialled {
  const uri = parseTelUri(text);
  if (!uri.ok) return invalid({ code: 'badUri', detail: uri.detail });
  const isLocalContext = /^\+\d+$/.test(uri.phoneContext ?? '') && !plan.emergency.includes(uri.number);
  const number = isLocalContext ? `${uri.phoneContext}${uri.number.replace(/^0/, '')}` : uri.number;
  return withTail(interpretDigits(number, plan), uri.extension, uri.postDial);
}

function interpretWritten(text: string, plan: NumberingPlan): Dialled {
  const suffix = /^[*#]/.test(text) ? null : extensionSuffix.exec(text);
  const withoutExtension = suffix ? text.slice(0, suffix.index) : text;
  const tailStart = withoutExtension.search(/[,;]|(?<=\d)\s*[pw]\s*(?=[\d,;pw*#a-d])/i);
  const head = tailStart < 0 ? withoutExtension : withoutExtension.slice(0, tailStart);
  if (/\p{L}/u.test(head)) return invalid({ code: 'letters' });

  const digits = head.replace(/(?<=^\+\d{1,3}\s*)\(0\)/, '').replace(separators, '');
  const stray = /[^0-9+*#]/.exec(digits) ?? /(?<=.)\+/.exec(digits);
  if (stray) {
    return invalid({
      code: 'character',
      character: stray[0],
      atCharacter: text.indexOf(stray[0], stray[0] === '+' ? 1 : 0),
    });
  }

  if (tailStart < 0) return withTail(interpretDigits(digits, plan), suffix?.[1]);
  const postDial = normalisePostDial(withoutExtension.slice(tailStart).trim());
  if (postDial === null) return invalid({ code: 'badPostDial' });
  return withTail(interpretDigits(digits, plan), suffix?.[1], postDial);
}

function withTail(dialled: Dialled, extension?: string, postDial?: string): Dialled {
  if (extension === undefined && postDial === undefined) return dialled;
  switch (dialled.kind) {
    case 'national':
    case 'international':
      return { ...dialled, ...(extension && { extension }), ...(postDial && { postDial }) };
    case 'extension':
      return extension ? invalid({ code: 'badPostDial' }) : { ...dialled, ...(postDial && { postDial }) };
    case 'invalid':
    case 'empty':
      return dialled.kind === 'empty' ? invalid({ code: 'tooShort' }) : dialled;
    case 'service':
    case 'emergency':
    case 'withheld':
      return invalid({ code: 'badPostDial' });
  }
}

function interpretDigits(digits: string, plan: NumberingPlan): Dialled {
  if (digits === '') return { kind: 'empty' };
  if (plan.emergency.includes(digits)) return { kind: 'emergency', number: digits };
  if (/^[*#][0-9*#]*$/.test(digits)) {
    return digits.length < 2
      ? invalid({ code: 'tooShort' })
      : { kind: 'service', code: digits, scope: 'office' };
  }
  const misplaced = /[*#]/.exec(digits);
  if (misplaced) return invalid({ code: 'character', character: misplaced[0], atCharacter: misplaced.index });
  if (plan.extension.test(digits)) return { kind: 'extension', extension: digits };
  if (plan.networkShortCode.test(digits)) return { kind: 'service', code: digits, scope: 'network' };

  for (const [prefix, withhold] of [
    [plan.presentPrefix, false],
    [plan.withholdPrefix, true],
  ] as const) {
    if (prefix === null || !digits.startsWith(prefix) || !/^[0+]/.test(digits.slice(prefix.length))) continue;
    const rest = interpretExternal(digits.slice(prefix.length), plan);
    return rest.kind === 'invalid' ? rest : { ...rest, withhold };
  }
  return interpretExternal(digits, plan);
}

function interpretExternal(
  digits: string,
  plan: NumberingPlan,
): ExternalNumber | (Dialled & { kind: 'invalid' }) {
  const global = plan.dialsAbroadBy00 ? digits.replace(/^00/, '+') : digits;
  const refuse = (reason: InvalidReason) => ({ kind: 'invalid' as const, reason });
  if (global.replace('+', '').length > 18) return refuse({ code: 'tooLong' });
  const home = asHomeNumber(global, plan);
  if (home !== null) return { kind: 'national', e164: home };
  try {
    const parsed = parsePhoneNumberWithError(global, { defaultCountry: plan.homeCountry, extract: false });
    if (!parsed.isPossible()) {
      return refuse({
        code: validatePhoneNumberLength(global, plan.homeCountry) === 'TOO_LONG' ? 'tooLong' : 'tooShort',
      });
    }
    return {
      kind: parsed.countryCallingCode === plan.homeCallingCode ? 'national' : 'international',
      e164: parsed.number,
    };
  } catch (error) {
    if (!(error instanceof ParseError)) throw error;
    return refuse(reasonOf(error, global));
  }
}

const lengthsOf = new Map<string, ReadonlySet<number>>();
/** Countries in which a number is its trunk prefix 0 and what E.164 has of it, and nothing else. */
const plainCountries: readonly string[] = ['GB'];

/**
 * A number of the home country in its plainest writing, of a possible length: what nearly every number is, told without
 * asking all patterns of the world, so that a file of thousands is read quickly. null: not as plain as that.
 */
function asHomeNumber(digits: string, { homeCountry, homeCallingCode }: NumberingPlan): string | null {
  if (!plainCountries.includes(homeCountry)) return null;
  const international = `+${homeCallingCode}`;
  const isInternational = digits.startsWith(international);
  if (!isInternational && !digits.startsWith('0')) return null;
  const significant = digits.slice(isInternational ? international.length : 1);
  if (significant.startsWith('0')) return null;
  let lengths = lengthsOf.get(homeCountry);
  if (!lengths) {
    const metadata = new Metadata();
    metadata.selectNumberingPlan(homeCountry);
    lengths = new Set(metadata.numberingPlan?.possibleLengths());
    lengthsOf.set(homeCountry, lengths);
  }
  return lengths.has(significant.length) ? `${international}${significant}` : null;
}

function reasonOf(error: ParseError, digits: string): InvalidReason {
  switch (error.message) {
    case 'TOO_LONG':
      return { code: 'tooLong' };
    case 'INVALID_COUNTRY':
      return { code: 'unknownCountry' };
    default:
      return digits.startsWith('+') ? { code: 'noCountryNumber' } : { code: 'tooShort' };
  }
}
