import { callsBehind, callsOf, figuresOf, type FigureCall } from '@/core/calls/figures';
import type { CallRecord } from '@/core/calls/exchange';

import type { FiguresAnswer, FiguresTask } from './figuresBeside';

const records: CallRecord[] = [];
let calls: FigureCall[] | null = null;

/** Takes records in, and reckons figures from them beside the page. */
self.onmessage = ({ data }: MessageEvent<FiguresTask>) => {
  if (data.kind === 'add') {
    for (const record of data.records) records.push(record);
    calls = null;
    return;
  }
  calls ??= callsOf(records);
  const answer: FiguresAnswer =
    data.kind === 'ask'
      ? { id: data.id, found: figuresOf(calls, data.asked) }
      : { id: data.id, calls: callsBehind(calls, data.asked, data.key) };
  self.postMessage(answer);
};
