import type { Rate } from '@/core/numbers/rates';
import { worstAcceptableMos } from './trend';

/** How a call may travel: over data from this device, by the office calling a phone of mine first. */
export const ways = ['data', 'mobileFirst', 'deskFirst'] as const;
export type Way = (typeof ways)[number];

export interface TravelQuestion {
  /** Expected score of a data call from here; null where there is no network at all. */
  dataMos: number | null;
  /** Whether that was tried or is promised by somebody; left out: it was. */
  isTried?: boolean;
  isEmergency: boolean;
  /** Rate of the leg from the office to the worker's mobile, which `mobileFirst` adds. */
  mobileRate: Rate | null;
  hasMobile: boolean;
  hasDesk: boolean;
  /** What the worker chose, if they did. */
  chosen: Way | null;
}

export interface TravelAnswer {
  way: Way;
  /** One line for the worker. */
  reason: string;
}

const inPence = (micros: number) => `${Number((micros / 10_000).toFixed(1))} p/min`;

/**
 * The way a call should travel. Data is cheapest, so it is taken as long as it sounds well enough (MOS 3.6, G.109);
 * else the mobile network, which costs a second leg; else the desk phone. An emergency call is never relayed.
 */
export function recommendWay(question: TravelQuestion): TravelAnswer {
  const { dataMos, chosen, hasMobile, hasDesk } = question;
  if (question.isEmergency) {
    const reason =
      dataMos === null ? 'no network here: dial it on your own phone' : 'emergency calls go straight out';
    return { way: 'data', reason };
  }
  if (chosen && (chosen !== 'mobileFirst' || hasMobile) && (chosen !== 'deskFirst' || hasDesk)) {
    return { way: chosen, reason: 'as you chose' };
  }
  const score = dataMos === null ? null : dataMos.toFixed(1);
  if (dataMos !== null && dataMos >= worstAcceptableMos) {
    const reason = question.isTried === false ? 'not tried here yet' : `sounds well here (MOS ${score})`;
    return { way: 'data', reason: `${reason}, at no extra cost` };
  }
  const why = score === null ? 'no network here' : `data sounds poor here (MOS ${score})`;
  if (hasMobile) {
    const extra = question.mobileRate
      ? `, ${inPence(question.mobileRate.perMinuteMicros)} more for the second leg`
      : '';
    return { way: 'mobileFirst', reason: `${why}${extra}` };
  }
  return hasDesk
    ? { way: 'deskFirst', reason: why }
    : { way: 'data', reason: `${why}, but nothing else is there` };
}
