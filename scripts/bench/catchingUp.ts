import { findWords } from '@/core/shared/textSearch';
import {
  applyLooseEvents,
  noLooseEnds,
  orderOf,
  usualWeights,
  type LooseEnds,
  type LooseEvent,
} from '@/core/inbox/looseEnds';
import { peaksOf } from '@/core/shared/sound';

import type { Figure } from './figures';

const now = Date.UTC(2026, 10, 26, 10, 40);
const count = 100_000;
const dayMs = 24 * 3_600_000;
const hours = {
  windows: [{ days: [1, 2, 3, 4, 5], from: '08:00', to: '17:00' }],
  daysOff: [],
  zone: 'Europe/London',
};

/** Of three people one is reached, as in a firm that answers most; 400 of them try again and again. */
function eventOf(index: number): LooseEvent {
  const at = now - (count - index) * ((90 * dayMs) / count);
  const key = `contact:${(index * 7919) % 400}`;
  if (index % 3 === 2)
    return { kind: 'reached', id: `e${index}`, at, key, how: 'call', talkMs: 60_000, byId: null };
  return {
    kind: 'tried',
    id: `e${index}`,
    at,
    who: { key, name: key, number: '+441914980162' },
    channel: index % 5 === 0 ? 'voicemail' : 'call',
    teamId: null,
    lineId: 'field',
    isUrgent: index % 11 === 0,
    isStarred: false,
    words: null,
    lengthMs: null,
  };
}

const ms = (run: () => void): number => {
  const begun = performance.now();
  run();
  return performance.now() - begun;
};
const best = (run: () => void, times = 5) => Math.min(...Array.from({ length: times }, () => ms(run)));
const round = (value: number) => Math.round(value * 100) / 100;

const wordsOf = ['gate', 'weir', 'logger', 'mast', 'battery', 'read-out', 'hut', 'lane', 'sluice', 'beck'];
/** Sentences of a dozen words; one in a thousand says "gate code". */
const sentences = Array.from({ length: count }, (_, index) => ({
  item: index,
  text: `${Array.from({ length: 12 }, (__, at) => wordsOf[(index * 31 + at * 17) % wordsOf.length]).join(' ')} ${index} ${index % 1000 === 0 ? 'gate code' : ''}`,
}));

/** The longest of the searches for what is typed letter by letter. */
function worstKey(typed: string): number {
  let worst = 0;
  for (let length = 1; length <= typed.length; length++)
    worst = Math.max(
      worst,
      ms(() => findWords(typed.slice(0, length), sentences, 60)),
    );
  return worst;
}

export async function benchCatchingUp(): Promise<Figure[]> {
  const events = Array.from({ length: count }, (_, index) => eventOf(index));
  let ends: LooseEnds = noLooseEnds;
  const rebuilt = best(() => {
    ends = applyLooseEvents(noLooseEnds, events);
  });
  const one = eventOf(count);
  const updated = best(() => {
    for (let time = 0; time < 100; time++) {
      const after = applyLooseEvents(ends, [{ ...one, id: `one${time}` } as LooseEvent]);
      orderOf(after.open, usualWeights, hours, 'maren', now);
    }
  });
  worstKey('gate code');
  const hour = new Float32Array(3600 * 8000).map((_, index) => Math.sin(index / 7) * ((index % 9000) / 9000));
  const kept = JSON.stringify(ends).length;
  return [
    {
      name: 'loose ends rebuilt from 100,000 events',
      value: round(rebuilt),
      unit: 'ms',
      aim: 'under 500 ms',
      most: 500,
    },
    {
      name: 'loose ends and their order after one event more',
      value: round(updated / 100),
      unit: 'ms',
      aim: 'under 2 ms',
      most: 2,
    },
    {
      name: `kept of them, ${ends.open.length} people waiting`,
      value: Math.round(kept / 1024),
      unit: 'KB',
      aim: 'not growing with history',
    },
    {
      name: 'search in 100,000 texts, worst key of "gate code"',
      value: round(worstKey('gate code')),
      unit: 'ms',
      aim: 'under 50 ms',
      most: 50,
    },
    {
      name: 'waveform of an hour of sound',
      value: round(best(() => peaksOf(hour, 1000), 3)),
      unit: 'ms',
      aim: 'under 300 ms',
      most: 300,
    },
  ];
}
