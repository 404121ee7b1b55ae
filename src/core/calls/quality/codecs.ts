/** A codec's equipment impairment factor Ie and packet-loss robustness factor Bpl, and how it travels. */
export interface Codec {
  name: string;
  Ie: number;
  Bpl: number;
  /** Milliseconds of speech in a packet, and of what the coder looks ahead. */
  packetMs: number;
  lookAheadMs: number;
  source: string;
}

/**
 * G.711 and G.729 as ITU-T G.113 Appendix I prints them. G.113 prints no pair for Opus: the one here is our own
 * cautious assumption (no impairment without loss, concealment no better than G.729's), to be replaced when a
 * published one is at hand.
 */
export const codecs = {
  g711: {
    name: 'G.711',
    Ie: 0,
    Bpl: 25.1,
    packetMs: 20,
    lookAheadMs: 0,
    source: 'ITU-T G.113 Appendix I, G.711 with the concealment of its Appendix I, random loss',
  },
  g711WithoutConcealment: {
    name: 'G.711 without concealment',
    Ie: 0,
    Bpl: 4.3,
    packetMs: 20,
    lookAheadMs: 0,
    source: 'ITU-T G.113 Appendix I',
  },
  g729a: {
    name: 'G.729A',
    Ie: 11,
    Bpl: 19,
    packetMs: 20,
    lookAheadMs: 5,
    source: 'ITU-T G.113 Appendix I, G.729A with voice activity detection',
  },
  opus: {
    name: 'Opus',
    Ie: 0,
    Bpl: 19,
    packetMs: 20,
    lookAheadMs: 6.5,
    source: 'our own assumption; the look-ahead is RFC 6716 §2.1’s default 26.5 ms less the frame',
  },
} as const satisfies Record<string, Codec>;

export type CodecName = keyof typeof codecs;
