/**
 * UK numbers for mobiles begin +447, but +4470 are personal numbers and +4476 pagers, save for +447624, the Isle of
 * Man's mobiles (Ofcom, National Telephone Numbering Plan).
 */
const ukMobile = /^\+447(?!0|6(?!24))/;

/** Whether a text can be sent to that E.164 number. Abroad a number does not tell, so it is tried. */
export const takesTexts = (e164: string): boolean => !e164.startsWith('+44') || ukMobile.test(e164);
