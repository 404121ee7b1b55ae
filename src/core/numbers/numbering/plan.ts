import type { CountryCode } from 'libphonenumber-js/min';

/** How this office dials: what is an extension here, what is a short code, and which country is home. */
export interface NumberingPlan {
  homeCountry: CountryCode;
  /** Calling code of the home country, digits only ("44"). */
  homeCallingCode: string;
  /** Whole-string pattern of the office's own extensions. */
  extension: RegExp;
  emergency: readonly string[];
  /** Whole-string pattern of the network's short numbers (ITU-T E.164 leaves them to each country). */
  networkShortCode: RegExp;
  /** Prefixes that withhold or present the caller's number for this one call. */
  withholdPrefix: string;
  presentPrefix: string;
  /** The domain that makes a local number global in a tel URI (RFC 3966 §5.1.5). */
  phoneContext: string;
}

export const ukOfficePlan: NumberingPlan = {
  homeCountry: 'GB',
  homeCallingCode: '44',
  extension: /^2\d{2,4}$/,
  emergency: ['999', '112'],
  networkShortCode: /^(?:10[015]|11[19]|116\d{3}|118\d{3})$/,
  withholdPrefix: '141',
  presentPrefix: '1470',
  phoneContext: 'office.orrinvale.example',
};
