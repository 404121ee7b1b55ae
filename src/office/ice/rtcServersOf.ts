import type { IceServers } from '../socket';

/** Servers by which browsers find a way to each other, as a browser wants them: without what is not said. */
export const rtcServersOf = (iceServers: IceServers): RTCIceServer[] =>
  iceServers.map(({ urls, username, credential }) => ({
    urls,
    ...(username !== undefined && { username }),
    ...(credential !== undefined && { credential }),
  }));
