import type { FromOffice, PictureOf, Want } from '@/office/forwarding';

/** What the process asks of the thread that forwards. Ends are known by names of the process’s own; pictures by the end that shows them. */
export type ToForwarder =
  | { do: 'offer'; end: string; sdp: string }
  | { do: 'candidate'; end: string; candidate: RTCIceCandidateInit | null }
  /** Whose voices and which pictures may go there from now on. */
  | { do: 'may'; end: string; hear: readonly string[]; see: readonly PictureOf[] }
  | { do: 'wants'; end: string; wants: readonly (Want | null)[] }
  | { do: 'leave'; end: string };

/** What that thread tells. */
export type FromForwarder =
  | { told: 'signal'; end: string; signal: FromOffice }
  /** Voices go to and from there by now. */
  | { told: 'connected'; end: string };

/** Where others reach the thread. */
export interface Reach {
  /** Addresses of this machine that it does not know itself, as behind a translation of addresses. */
  addresses: readonly string[];
  /** The first and the last port that may be used (UDP); null: any. */
  ports: readonly [number, number] | null;
}
