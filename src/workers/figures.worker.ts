import {
  callsBehind,
  callsOf,
  figuresOf,
  flowsOf,
  outCalls,
  wentBy,
  type FigureCall,
} from '@/core/calls/figures';
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
  self.postMessage({ id: data.id, ...answerTo(data, calls) } satisfies FiguresAnswer);
};

function answerTo(task: Exclude<FiguresTask, { kind: 'add' }>, all: readonly FigureCall[]) {
  switch (task.kind) {
    case 'ask':
      return { found: figuresOf(all, task.asked) };
    case 'behind':
      return { calls: callsBehind(all, task.asked, task.key) };
    case 'flows':
      return { flows: flowsOf(all, task.span) };
    case 'outCalls':
      return { outCalls: outCalls(records, task.span) };
    case 'wentBy': {
      const { span, lineIds, place } = task;
      const isAsked = ({ at, lineId }: FigureCall) =>
        at >= span.from && at < span.until && lineId !== null && lineIds.includes(lineId);
      return { calls: all.filter((call) => isAsked(call) && wentBy(call, place)) };
    }
  }
}
