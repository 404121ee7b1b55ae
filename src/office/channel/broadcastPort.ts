import type { Port } from './protocol';

/** One end of a channel between the pages and workers of this browser that know its name; what one says all others hear. */
export function broadcastPort(name: string): Port {
  const channel = new BroadcastChannel(name);
  let isOver = false;
  return {
    say: (message) => {
      if (!isOver) channel.postMessage(message);
    },
    hear: (listener) => {
      channel.onmessage = ({ data }: MessageEvent<unknown>) => listener(data);
    },
    close: () => {
      isOver = true;
      channel.close();
    },
  };
}
