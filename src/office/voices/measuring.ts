import type { CandidateKind, Network, Passage } from '@/core/calls/quality';

/** Counts of what has come in so far (W3C WebRTC Statistics, `RTCInboundRtpStreamStats`). */
export interface Counts {
  packetsReceived: number;
  packetsLost: number;
}

/** How a voice comes: what its network does to it, and how it travels. Its way (RFC 8445 §5.1.1) is that of the end that needs the longer one. */
export interface Coming {
  network: Network;
  passage: Passage;
}

type Inbound = Counts & { jitter?: number; codecId?: string };

interface Found {
  inbound: Inbound | null;
  pair: { currentRoundTripTime?: number; localCandidateId?: string; remoteCandidateId?: string } | null;
  /** Kinds of candidates by their ids. */
  candidates: Map<string, string>;
  /** Their media types by their ids. */
  codecs: Map<string, string>;
  cipher: string | null;
}

/** Measures one connection: what its network does to the voice that comes by it, between one look and the next. */
export class VoiceMeasure {
  private before: Counts = { packetsReceived: 0, packetsLost: 0 };

  /** What it has done since the last look; null where nothing has come in since. `accepted`: what this end has said it takes (SDP, RFC 8866). */
  look(report: RTCStatsReport, accepted = ''): Coming | null {
    const { inbound, pair, candidates, codecs, cipher } = find(report);
    if (inbound === null) return null;
    const { packetsReceived, packetsLost, jitter = 0, codecId = '' } = inbound;
    const received = packetsReceived - this.before.packetsReceived;
    // A packet that was taken for lost may come late.
    const lost = Math.max(0, packetsLost - this.before.packetsLost);
    this.before = { packetsReceived, packetsLost };
    if (received + lost <= 0) return null;
    return {
      network: {
        delayMs: ((pair?.currentRoundTripTime ?? 0) * 1000) / 2,
        jitterMs: jitter * 1000,
        lossPercent: (100 * lost) / (received + lost),
        burstRatio: 1,
      },
      passage: {
        way: wayOf([pair?.localCandidateId, pair?.remoteCandidateId].map((id) => candidates.get(id ?? ''))),
        codec: codecs.get(codecId)?.split('/')[1] ?? null,
        hasCopies: takesCopies(accepted),
        cipher,
      },
    };
  }
}

/** How many packets of a voice have gone out over a connection (`RTCOutboundRtpStreamStats`). */
export function packetsSent(report: RTCStatsReport): number {
  let sent = 0;
  report.forEach((each: { type: string; kind?: string; packetsSent?: number }) => {
    if (each.type === 'outbound-rtp' && each.kind !== 'video') sent += each.packetsSent ?? 0;
  });
  return sent;
}

function find(report: RTCStatsReport): Found {
  const found: Found = {
    inbound: null,
    pair: null,
    candidates: new Map(),
    codecs: new Map(),
    cipher: null,
  };
  report.forEach(
    (each: {
      id: string;
      type: string;
      kind?: string;
      nominated?: boolean;
      candidateType?: string;
      mimeType?: string;
      srtpCipher?: string;
    }) => {
      if (each.type === 'inbound-rtp' && each.kind === 'audio')
        found.inbound = together(found.inbound, each as unknown as Inbound);
      if (each.type === 'candidate-pair' && each.nominated === true) found.pair = each as Found['pair'];
      if (each.mimeType !== undefined) found.codecs.set(each.id, each.mimeType);
      found.cipher = each.srtpCipher ?? found.cipher;
      if (each.candidateType !== undefined) found.candidates.set(each.id, each.candidateType);
    },
  );
  return found;
}

/** Several streams by one way are measured as one. */
function together(one: Inbound | null, other: Inbound): Inbound {
  if (one === null || one.packetsReceived === 0) return other;
  return {
    ...one,
    packetsReceived: one.packetsReceived + other.packetsReceived,
    packetsLost: one.packetsLost + other.packetsLost,
    jitter: Math.max(one.jitter ?? 0, other.jitter ?? 0),
  };
}

/** Whether redundant data comes first of what may be sent there: the statistics name the codec within it alone. */
function takesCopies(sdp: string): boolean {
  const first = /^m=audio \d+ \S+ (\d+)/m.exec(sdp)?.[1];
  return first !== undefined && new RegExp(`^a=rtpmap:${first} red/`, 'm').test(sdp);
}

/** One that was found on the way (`prflx`) is an address that others see. */
function wayOf(kinds: readonly (string | undefined)[]): CandidateKind | null {
  if (kinds.includes('relay')) return 'relay';
  if (kinds.includes('srflx') || kinds.includes('prflx')) return 'srflx';
  return kinds.includes('host') ? 'host' : null;
}

/** Of several voices the one that comes worst: by loss, then by delay and jitter. */
export function worstOf(voices: readonly Coming[]): Coming | null {
  const badness = ({ network: { lossPercent, delayMs, jitterMs } }: Coming) =>
    lossPercent * 100 + delayMs + 5 * jitterMs;
  return voices.reduce<Coming | null>(
    (worst, each) => (worst === null || badness(each) > badness(worst) ? each : worst),
    null,
  );
}

/** What a connection is found to carry out, in kilobits per second (`RTCIceCandidatePairStats`); null: not known yet. */
export function carriedKbps(report: RTCStatsReport): number | null {
  let carries: number | null = null;
  report.forEach((each: { type: string; nominated?: boolean; availableOutgoingBitrate?: number }) => {
    if (each.type === 'candidate-pair' && each.nominated && each.availableOutgoingBitrate !== undefined)
      carries = Math.max(carries ?? 0, each.availableOutgoingBitrate / 1_000);
  });
  return carries;
}
