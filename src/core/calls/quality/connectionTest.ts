import { z } from 'zod';

import { codecs, type Codec } from './codecs';
import { networkSchema, qualityOver, type Network, type Quality } from './network';

/** Ways by which browsers reach each other, as ICE calls them (RFC 8445 §5.1.1): straight, by the address that others see, by a relay. */
export const candidateKinds = ['host', 'srflx', 'relay'] as const;
export type CandidateKind = (typeof candidateKinds)[number];

/** How a voice comes from browser to browser. What is not known, or a stand-in's, is null. */
export interface Passage {
  way: CandidateKind | null;
  /** In which codec, without what kind of media it is (IANA, media types of RTP): “opus”. */
  codec: string | null;
  /** Whether of each packet a copy comes with the next (RFC 2198). */
  hasCopies: boolean;
  /** By which profile of SRTP it is encrypted, as DTLS has found it (RFC 5764 §4.1.2, RFC 7714 §14.2). */
  cipher: string | null;
}

/** How a server that the office names was found; `unset`: it names none. */
const reachedSchema = z.enum(['reached', 'unreached', 'unset']);
export type Reached = z.infer<typeof reachedSchema>;

/** A test of what the network at one place does to calls. */
export const connectionTestSchema = z.object({
  id: z.string(),
  at: z.number(),
  /** Where it was, in the worker's words; empty: they have not said. */
  place: z.string(),
  /** The link to the office; null: it was not reached. */
  link: networkSchema.nullable(),
  /** What a relay does to what goes through it, as voices would; null: there is none, or nothing came through. */
  relayed: networkSchema.nullable(),
  stun: reachedSchema,
  turn: reachedSchema,
  /** By which ways others can reach this browser. */
  kinds: z.array(z.enum(candidateKinds)),
});
export type ConnectionTest = z.infer<typeof connectionTestSchema>;

/** What a call from there would go through: where there is a relay it, which is the longest way; null: nothing is reached. */
export const networkOfTest = ({ link, relayed }: Pick<ConnectionTest, 'link' | 'relayed'>): Network | null =>
  relayed ?? link;

/** The codecs that a call is reckoned for; the first is the one that calls between browsers use. */
const reckoned: readonly Codec[] = [codecs.opus, codecs.g711, codecs.g729a];

export interface CodecQuality {
  codec: string;
  quality: Quality;
}

/** How a call over that network sounds with each codec (ITU-T G.107), the one in use first. */
export const qualityByCodec = (network: Network): CodecQuality[] =>
  reckoned.map((codec) => ({ codec: codec.name, quality: qualityOver(network, codec) }));

export interface TestedPlace {
  place: string;
  /** Oldest first. */
  tests: ConnectionTest[];
  /** The score of each, MOS; 0 where nothing was reached. */
  scores: number[];
  /** The one in the middle. */
  usual: number;
}

/** A place where nothing is reached is worse than any score. */
const scoreOf = (test: ConnectionTest): number => {
  const network = networkOfTest(test);
  return network ? qualityOver(network).mos : 0;
};

/** Tests by their places, the worst place first; those of no place apart, under an empty name. */
export function byPlace(tests: readonly ConnectionTest[]): TestedPlace[] {
  const groups = new Map<string, ConnectionTest[]>();
  for (const test of tests.toSorted((a, b) => a.at - b.at)) {
    const key = test.place.trim().toLocaleLowerCase();
    groups.set(key, [...(groups.get(key) ?? []), test]);
  }
  return [...groups.values()]
    .map((group) => {
      const scores = group.map(scoreOf);
      return {
        // As it was written last.
        place: group.at(-1)?.place.trim() ?? '',
        tests: group,
        scores,
        usual: middleOf(scores),
      };
    })
    .toSorted((a, b) => a.usual - b.usual || a.place.localeCompare(b.place));
}

/** Of an even number of values the lower one of both in the middle. */
function middleOf(values: readonly number[]): number {
  const sorted = values.toSorted((a, b) => a - b);
  return sorted[Math.floor((sorted.length - 1) / 2)] ?? 0;
}
