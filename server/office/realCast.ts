import type { HostBeginning } from '@/state/host';

/** Nobody is played who comes by a link: whoever has it can. */
export const withoutGuest = ({ guest: _, ...cast }: HostBeginning['cast']): HostBeginning['cast'] => cast;

/**
 * Those outside of an office that no simulator plays: there is no line to them yet, so no call, text or fax gets through, and it says so. What
 * the office itself says (`clips`) is heard as ever.
 */
export const realCast = ({ clips }: HostBeginning['cast']): HostBeginning['cast'] => ({
  clips,
  ...{ scripts: {}, otherwise: { kind: 'unknownNumber' }, menus: {}, callerClips: {}, messageClip: '' },
  ...{ texts: {}, textsOtherwise: { kind: 'refuses' }, faxes: {}, faxesOtherwise: { kind: 'noAnswer' } },
});
