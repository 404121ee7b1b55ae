import { toHostSchema, type Asked, type Port, type ToApp } from '@/office/channel';

import type { KeptView } from '../storage';

/** As whom this device was in the office, and an end of a channel at which what is known of it is told. */
export interface KeptHost {
  me: KeptView['me'];
  port: Port;
}

/**
 * Stands in for an office that is not reached: it tells what was seen last. What is asked for is not answered, so that it waits and is asked again
 * when the office is there; calls can't wait, and are refused.
 */
export function keptHost({ me, snapshot, tables }: KeptView): KeptHost {
  let tell: (message: ToApp) => void = () => undefined;
  const answerTo = (asked: Asked): { answer: unknown } | null => {
    switch (asked.what) {
      case 'snapshot':
        return { answer: snapshot };
      case 'own':
        return { answer: tables.personal };
      case 'tables':
        return { answer: { rows: tables, parts: 1 } };
      case 'since':
        return { answer: { changes: [], parts: 1 } };
      case 'foresee':
        return { answer: null };
      case 'send':
        return { answer: { ok: false, reason: { code: 'notReached' } } };
      case 'ask':
      case 'askAs':
      case 'play':
      case 'scriptOf':
        return null;
    }
  };
  return {
    me,
    port: {
      hear: (listener) => void (tell = listener),
      close: () => void (tell = () => undefined),
      say: (message) => {
        const read = toHostSchema.safeParse(message);
        if (!read.success || read.data.kind !== 'ask') return;
        const answered = answerTo(read.data.asked);
        const { id } = read.data;
        // As over any channel, not within the asking.
        if (answered) setTimeout(() => tell({ kind: 'answer', id, told: 0, ...answered }));
      },
    },
  };
}
