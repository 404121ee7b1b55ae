import { Worker } from 'node:worker_threads';

import type { FromOffice, PictureOf, ToOffice } from '@/office/forwarding';

import type { FromForwarder, Reach, ToForwarder } from './protocol';

/** Before one that has ended is started anew: what can't begin at all is not tried without a pause. */
const againMs = 500;
/** Between one office’s name and that of an end in it. */
const separator = '\n';

/** Forwards voices and pictures between the ends of one office’s calls. */
export interface Forwarding {
  /** What the browser at an end says. */
  hear: (legId: string, said: ToOffice) => void;
  /** Whose voices and which pictures may go there from now on; to be said before anything goes. */
  allow: (legId: string, may: Allowed) => void;
  leave: (legId: string) => void;
}

export interface Allowed {
  hear: readonly string[];
  see: readonly PictureOf[];
}

export interface ForwardingListener {
  signal: (legId: string, signal: FromOffice) => void;
  connected: (legId: string) => void;
}

export interface ForwardingThread {
  of: (office: string, listener: ForwardingListener) => Forwarding;
  close: () => Promise<void>;
}

/**
 * Starts a thread that forwards, for all offices of this process, and starts it anew whenever it ends: browsers are told to connect again then.
 * @param path the bundled `thread.mts`
 */
export function startForwarding(
  path: string,
  reach: Reach,
  onFault: (error: unknown) => void,
): ForwardingThread {
  const listeners = new Map<string, ForwardingListener>();
  /** What may go where, for a thread that is started anew. */
  const allowed = new Map<string, Allowed>();
  let isClosed = false;
  let worker = start();

  function start(): Worker {
    const started = new Worker(path, { workerData: reach });
    started.on('message', (told: FromForwarder) => {
      const [office, legId] = partsOf(told.end);
      const listener = listeners.get(office);
      if (told.told === 'connected') listener?.connected(legId);
      else listener?.signal(legId, own(told.signal));
    });
    started.on('error', onFault);
    started.on('exit', () => {
      if (!isClosed) setTimeout(startAgain, againMs);
    });
    return started;
  }

  function startAgain(): void {
    if (isClosed) return;
    worker = start();
    for (const [end, may] of allowed) {
      ask({ do: 'may', end, ...may });
      const [office, legId] = partsOf(end);
      listeners.get(office)?.signal(legId, { again: true });
    }
  }

  const ask = (asked: ToForwarder) => worker.postMessage(asked);
  return {
    of: (office, listener) => {
      listeners.set(office, listener);
      const name = (legId: string) => `${office}${separator}${legId}`;
      const named = (picture: PictureOf) => ({ ...picture, legId: name(picture.legId) });
      return {
        hear: (legId, said) => {
          const end = name(legId);
          // Nobody is forwarded of whom it was not said what they may.
          if (!allowed.has(end)) return;
          if ('offer' in said) ask({ do: 'offer', end, sdp: said.offer.sdp });
          else if ('candidate' in said) ask({ do: 'candidate', end, candidate: plain(said.candidate) });
          else
            ask({
              do: 'wants',
              end,
              wants: said.wants.map((want) => want && { ...named(want), rows: want.rows }),
            });
        },
        allow: (legId, { hear, see }) => {
          const may = { hear: hear.map(name), see: see.map(named) };
          allowed.set(name(legId), may);
          ask({ do: 'may', end: name(legId), ...may });
        },
        leave: (legId) => {
          if (allowed.delete(name(legId))) ask({ do: 'leave', end: name(legId) });
        },
      };
    },
    close: async () => {
      isClosed = true;
      await worker.terminate();
    },
  };
}

function partsOf(end: string): [office: string, legId: string] {
  const at = end.indexOf(separator);
  return [end.slice(0, at), end.slice(at + 1)];
}

/** Ends by their names within their office. */
function own(signal: FromOffice): FromOffice {
  const legIdOf = (end: string) => partsOf(end)[1];
  if ('voices' in signal) return { voices: signal.voices.map((end) => end && legIdOf(end)) };
  if ('gives' in signal)
    return {
      gives: signal.gives.map((picture) => picture && { ...picture, legId: legIdOf(picture.legId) }),
    };
  return signal;
}

type SaidCandidate = Extract<ToOffice, { candidate: unknown }>['candidate'];
const plain = (candidate: SaidCandidate): RTCIceCandidateInit | null =>
  candidate && {
    ...{ candidate: candidate.candidate, sdpMid: candidate.sdpMid ?? null },
    sdpMLineIndex: candidate.sdpMLineIndex ?? null,
  };
