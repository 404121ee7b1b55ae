import { getCountryCallingCode, Metadata } from 'libphonenumber-js/min';

import { dialledIn, type HomeCountry } from './countries';
import type { Numbering } from './numbering';

/** How an office dials: what is an extension here, what is a short code, and which country is home. */
export interface NumberingPlan {
  homeCountry: HomeCountry;
  /** Calling code of the home country, digits only ("44"). */
  homeCallingCode: string;
  /** What stands before a number that is dialled within the country (ITU-T E.164: the trunk prefix); null where nothing does. */
  trunkPrefix: string | null;
  /** Whether 00 begins a number of another country; some countries have another international prefix. */
  dialsAbroadBy00: boolean;
  /** Whole-string pattern of the office's own extensions. */
  extension: RegExp;
  emergency: readonly string[];
  /** Whole-string pattern of the network's short numbers (ITU-T E.164 leaves them to each country). */
  networkShortCode: RegExp;
  /** Prefixes that withhold or present the caller's number for this one call; null where the country's are not known here. */
  withholdPrefix: string | null;
  presentPrefix: string | null;
  services: Required<Numbering['services']>;
  /** How whoever reads wants numbers of the home country written. */
  writing: NumberWriting;
}

/** Nationally at home and internationally abroad, or internationally all. */
export const numberWritings = ['local', 'international'] as const;
export type NumberWriting = (typeof numberWritings)[number];

const nothing = /(?!)/;
const made = {
  local: new WeakMap<Numbering, NumberingPlan>(),
  international: new WeakMap<Numbering, NumberingPlan>(),
};

/** The rules by which what is dialled in an office is read, and written. */
export function numberingPlan(numbering: Numbering, writing: NumberWriting = 'local'): NumberingPlan {
  const before = made[writing].get(numbering);
  if (before) return before;
  const plan = { ...makePlan(numbering), writing };
  made[writing].set(numbering, plan);
  return plan;
}

/** Codes for a mailbox, of which an office that has said nothing has the first that means nothing else there. */
const mailboxCodes = ['88', '89', '83', '82', '81'] as const;

/** What an office does itself when its codes are dialled. */
export function servicesOf({ services }: Pick<Numbering, 'services'>): NumberingPlan['services'] {
  const taken = Object.values(services);
  const mailbox = services.mailbox ?? mailboxCodes.find((code) => !taken.includes(code)) ?? '88';
  return { ...services, mailbox };
}

function makePlan({ country, emergency, extensions, services }: Numbering): Omit<NumberingPlan, 'writing'> {
  const metadata = new Metadata();
  metadata.selectNumberingPlan(country);
  const { begin, least, most } = extensions;
  const known = dialledIn(country);
  return {
    homeCountry: country,
    homeCallingCode: getCountryCallingCode(country),
    trunkPrefix: known.trunk,
    dialsAbroadBy00: new RegExp(`^(?:${metadata.numberingPlan?.IDDPrefix() ?? '00'})$`).test('00'),
    extension: new RegExp(`^(?=\\d{${least},${most}}$)(?:${begin.join('|')})`),
    // Whatever an office says, its country's own always call help.
    emergency: [...new Set([...known.emergency, ...emergency])],
    networkShortCode: known.shortCode ?? nothing,
    withholdPrefix: known.withhold?.withholdPrefix ?? null,
    presentPrefix: known.withhold?.presentPrefix ?? null,
    services: servicesOf({ services }),
  };
}
