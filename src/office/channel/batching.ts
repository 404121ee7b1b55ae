import type { Port } from './protocol';

/** What is said in one turn goes in one piece, so that an answer is heard in the task, and drawn in the frame, of what it caused. */
export function batched(port: Port): Port {
  let pending: unknown[] = [];
  const flush = () => {
    const all = pending;
    pending = [];
    port.say(all);
  };
  return {
    ...port,
    say: (message) => {
      pending.push(message);
      if (pending.length === 1) setTimeout(flush);
    },
  };
}

/** The other end of such a port. */
export const unbatched = (port: Port): Port => ({
  ...port,
  hear: (listener) =>
    port.hear((message) => (Array.isArray(message) ? message.forEach(listener) : listener(message))),
});
