// The thread that forwards voices and pictures, so that they never wait for the office, nor it for them.
import { parentPort, workerData } from 'node:worker_threads';

import { Forwarder } from './Forwarder';
import type { Reach, ToForwarder } from './protocol';

const forwarder = new Forwarder((told) => parentPort?.postMessage(told), workerData as Reach);
parentPort?.on('message', (asked: ToForwarder) => {
  forwarder.hear(asked).catch((error: unknown) => {
    // What can't be read of one of them is no reason to end the others'.
    console.error('Not forwarded:', error instanceof Error ? error.message : error);
  });
});
