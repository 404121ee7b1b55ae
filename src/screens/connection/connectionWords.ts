import {
  hearingOf,
  networkOfTest,
  qualityByCodec,
  worstAcceptableMos,
  type ConnectionTest,
  type Network,
  type Reached,
} from '@/core/calls/quality';

const one = (number: number) => number.toFixed(1);

/** What a call from there would be like, in a sentence. */
export function verdictOf(test: Pick<ConnectionTest, 'link' | 'relayed'>): string {
  const network = networkOfTest(test);
  if (!network) return 'The office is not reached from here.';
  const [first] = qualityByCodec(network);
  return first ? hearingSentences[hearingOf(first.quality)] : '';
}

const hearingSentences = {
  well: 'Calls sound well from here.',
  fair: 'Calls sound fair from here.',
  poor: 'Calls sound poor from here. The mobile network may be better.',
  hardly: 'They would hardly understand you from here. Use the mobile network.',
};

/** "Round trip 96 ms, varies by 12 ms, 0.5 % lost". */
export const roundTripWords = ({ delayMs, jitterMs, lossPercent }: Network): string =>
  `Round trip ${Math.round(2 * delayMs)} ms, varies by ${Math.round(jitterMs)} ms, ${one(lossPercent)} % lost`;

/** "48 ms from end to end, varies by 12 ms, 0.5 % lost". */
export const oneWayWords = ({ delayMs, jitterMs, lossPercent }: Network): string =>
  `${Math.round(delayMs)} ms from end to end, varies by ${Math.round(jitterMs)} ms, ${one(lossPercent)} % lost`;

const kindWords = {
  host: 'straight, in the same network',
  srflx: 'by the address that others see',
  relay: 'by the relay',
};

/** By which ways another browser would find this one. */
export const waysWords = ({ kinds }: Pick<ConnectionTest, 'kinds'>): string =>
  kinds.length === 0
    ? 'None: this browser can’t be called directly'
    : kinds.map((kind) => kindWords[kind]).join('; ');

/** What is said of a server by which browsers find each other. */
export const reachedWords = (name: 'STUN' | 'TURN', reached: Reached): string =>
  ({
    reached: 'Reached',
    unreached:
      name === 'STUN'
        ? 'Not reached: calls with other networks may not find a way'
        : 'Not reached: calls through strict networks fail',
    unset: 'The office names none; in one network none is needed',
  })[reached];

export const codecWords = (network: Network): string =>
  qualityByCodec(network)
    .map(({ codec, quality }) => `${codec} ${one(quality.mos)}`)
    .join(' · ');

/** How a place is, by the score it usually has. */
export function placeWord(usual: number): string {
  if (usual === 0) return 'nothing reached';
  if (usual < worstAcceptableMos) return 'bad';
  return usual < 4 ? 'fair' : 'good';
}
