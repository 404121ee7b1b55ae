import { AsYouType, parsePhoneNumberFromString } from 'libphonenumber-js/min';

import type { Dialled } from './dialled';
import { interpretDialled } from './interpretDialled';
import type { NumberingPlan } from './plan';

const significant = (text: string) => text.replace(/[^0-9+*#]/g, '');

/**
 * Groups the digits of a number while it is typed ("01314960" -> "0131 496 0"). Only spaces and brackets are
 * added; what is not a plain number (names, tel URIs, service codes, digits after a pause) stays as it is.
 */
export function formatAsTyped(input: string, plan: NumberingPlan): string {
  if (!/^[+\d][\d\s().-]*$/.test(input)) return input;
  const digits = significant(input);
  if (plan.extension.test(digits) || plan.emergency.includes(digits)) return digits;
  const formatted = new AsYouType(plan.homeCountry).input(digits);
  return significant(formatted) === digits ? formatted : input;
}

/** An E.164 number as people at home write it: nationally at home, internationally abroad; or all of them internationally. */
export function formatNumber(e164: string, plan: NumberingPlan): string {
  const parsed = parsePhoneNumberFromString(e164, plan.homeCountry);
  if (!parsed) return e164;
  return parsed.countryCallingCode === plan.homeCallingCode && plan.writing === 'local'
    ? parsed.formatNational()
    : parsed.formatInternational();
}

/**
 * Writes what was dialled so that `interpretDialled` reads the same again; '' for what can't be dialled.
 */
export function formatDialled(dialled: Dialled, plan: NumberingPlan): string {
  switch (dialled.kind) {
    case 'national':
    case 'international': {
      const number = readable(dialled.e164, plan);
      const prefix = dialled.withhold ? plan.withholdPrefix : plan.presentPrefix;
      const prefixed =
        dialled.withhold === undefined || prefix === null ? number : `${prefix} ${number.replace('+', '00')}`;
      const postDial = dialled.postDial ? ` ${dialled.postDial}` : '';
      const extension = dialled.extension ? ` ext ${dialled.extension}` : '';
      return `${prefixed}${postDial}${extension}`;
    }
    case 'extension':
      return `${dialled.extension}${dialled.postDial ? ` ${dialled.postDial}` : ''}`;
    case 'service':
      return dialled.code;
    case 'emergency':
      return dialled.number;
    case 'withheld':
      return 'withheld';
    case 'empty':
    case 'invalid':
      return '';
  }
}

/** The national writing, where reading it back gives the same number; else the international one. */
function readable(e164: string, plan: NumberingPlan): string {
  const national = formatNumber(e164, plan);
  const back = interpretDialled(national, plan);
  return (back.kind === 'national' || back.kind === 'international') && back.e164 === e164 ? national : e164;
}
