import type { HostBeginning } from '@/state/host';

/**
 * Those outside of an office that no simulator plays: there is no line to them yet, so no call, text or fax gets through, and it says so. What
 * the office itself says (`clips`) is heard as ever.
 */
export const realCast = ({ clips }: HostBeginning['cast']): HostBeginning['cast'] => ({
  clips,
  ...{ scripts: {}, otherwise: { kind: 'unknownNumber' }, menus: {}, callerClips: {}, messageClip: '' },
  ...{ texts: {}, textsOtherwise: { kind: 'refuses' }, faxes: {}, faxesOtherwise: { kind: 'noAnswer' } },
});
