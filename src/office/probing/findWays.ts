import type { CandidateKind, Reached } from '@/core/calls/quality';

export interface FoundWays {
  stun: Reached;
  turn: Reached;
  kinds: CandidateKind[];
}

/** A server that has not answered by then is taken not to be reached. */
const mostMs = 12_000;

const urlsOf = ({ urls }: RTCIceServer) => (Array.isArray(urls) ? urls : [urls]);
const isTurn = (url: string) => /^turns?:/.test(url);

/**
 * By which ways others can reach this browser: candidates are gathered as before a call (RFC 8445 §5.1.1). A STUN server that says what is known
 * already gives no candidate; it is reached where the browser tells of no error (W3C WebRTC `icecandidateerror`).
 */
export async function findWays(
  iceServers: readonly RTCIceServer[],
  connect = (configuration: RTCConfiguration) => new RTCPeerConnection(configuration),
): Promise<FoundWays> {
  const urls = iceServers.flatMap(urlsOf);
  const kinds = new Set<CandidateKind>();
  const failed = new Set<string>();
  const connection = connect({ iceServers: [...iceServers] });
  try {
    connection.createDataChannel('ways');
    const isComplete = await new Promise<boolean>((resolve, reject) => {
      connection.onicecandidate = ({ candidate }) => {
        // The end of them is told by an empty one.
        if (!candidate || candidate.candidate === '') return resolve(true);
        if (candidate.type === 'host' || candidate.type === 'srflx' || candidate.type === 'relay')
          kinds.add(candidate.type);
      };
      connection.onicecandidateerror = ({ url }) => void failed.add(url ?? '');
      setTimeout(() => resolve(false), mostMs);
      connection.setLocalDescription().catch(reject);
    });
    const found = (these: readonly string[], kind: CandidateKind, mayBeSilent: boolean): Reached => {
      if (these.length === 0) return 'unset';
      if (kinds.has(kind)) return 'reached';
      return mayBeSilent && isComplete && !these.some((url) => failed.has(url)) ? 'reached' : 'unreached';
    };
    return {
      stun: found(
        urls.filter((url) => !isTurn(url)),
        'srflx',
        true,
      ),
      turn: found(urls.filter(isTurn), 'relay', false),
      kinds: [...kinds],
    };
  } finally {
    connection.close();
  }
}
