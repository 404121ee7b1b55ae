/** Why something typed can't be dialled. `atCharacter` (0-based) where one character is to blame. */
export type InvalidReason =
  | { code: 'letters' }
  | { code: 'character'; character: string; atCharacter: number }
  | { code: 'tooShort' }
  | { code: 'tooLong' }
  | { code: 'unknownCountry' }
  | { code: 'noCountryNumber' }
  | { code: 'badPostDial' }
  | { code: 'badUri'; detail: string };

/** A number on the public network. `postDial` holds digits and pauses sent after the answer (see postDial.ts). */
export interface ExternalNumber {
  kind: 'national' | 'international';
  /** ITU-T E.164, "+" and up to 15 digits. */
  e164: string;
  /** Extension behind that number. */
  extension?: string;
  postDial?: string;
  /** Set when a prefix asked to withhold (true) or present (false) the caller's number for this call. */
  withhold?: boolean;
}

/** What somebody dialled, understood. */
export type Dialled =
  | { kind: 'empty' }
  | ExternalNumber
  | { kind: 'extension'; extension: string; postDial?: string }
  | { kind: 'service'; code: string; scope: 'office' | 'network' }
  | { kind: 'emergency'; number: string }
  | { kind: 'withheld' }
  | { kind: 'invalid'; reason: InvalidReason };

export function isExternal(dialled: Dialled): dialled is ExternalNumber {
  return dialled.kind === 'national' || dialled.kind === 'international';
}

/** Whether a call can be placed to it at all. */
export function isDialable(dialled: Dialled): boolean {
  switch (dialled.kind) {
    case 'national':
    case 'international':
    case 'extension':
    case 'service':
    case 'emergency':
      return true;
    case 'empty':
    case 'withheld':
    case 'invalid':
      return false;
  }
}
