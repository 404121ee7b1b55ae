import {
  progressTones,
  synthesiseDigit,
  synthesiseTone,
  synthesiseTune,
  type HeardEntry,
  type HeardLoop,
} from '@/core/shared/sound';

import type { SoundMark } from './wav';

export interface HeardSound {
  /** Stretches to keep, in order, epoch milliseconds. */
  pieces: readonly { from: number; to: number }[];
  heard: readonly HeardEntry[];
  /** Samples of the clips by id, at the rate asked for; one that is missing is silence. */
  clips: ReadonlyMap<string, Float32Array>;
}

const digitSeconds = 0.14;
const gapSeconds = 0.6;
const mark = { frequencies: [1400], cadence: [{ on: true, seconds: 0.15 }] };

/**
 * Mixes what somebody heard into one sound: each piece as it was heard, and between two pieces a short tone and a
 * mark that says how long the pause was. Where it is known who says what, each who begins to speak is marked.
 */
export function mixHeard(
  { pieces, heard, clips }: HeardSound,
  sampleRate: number,
): { samples: Float32Array; marks: SoundMark[] } {
  const lengths = pieces.map(({ from, to }) => Math.round(((to - from) / 1000) * sampleRate));
  const gap = Math.round(gapSeconds * sampleRate);
  const total = lengths.reduce((sum, length) => sum + length, 0) + gap * Math.max(0, pieces.length - 1);
  const samples = new Float32Array(total);
  const marks: SoundMark[] = [];
  const turns: SoundMark[] = [];
  let at = 0;
  pieces.forEach((piece, index) => {
    const before = pieces[index - 1];
    if (before) {
      marks.push({
        atSeconds: at / sampleRate,
        text: `Paused for ${Math.round((piece.from - before.to) / 1000)} s`,
      });
      add(samples, synthesiseTone(mark, sampleRate), at, at + gap);
      at += gap;
    }
    const end = at + (lengths[index] ?? 0);
    const from = at;
    for (const entry of heard)
      if (entry.kind === 'clip' && entry.by !== undefined && entry.at >= piece.from && entry.at < piece.to)
        turns.push({ atSeconds: from / sampleRate + (entry.at - piece.from) / 1000, text: entry.by });
    addPiece(samples, { piece, at, end, heard, clips, sampleRate });
    at = end;
  });
  return {
    samples,
    marks: [...marks, ...begun(turns)].sort((one, other) => one.atSeconds - other.atSeconds),
  };
}

/** Whoever goes on speaking does not begin. */
const begun = (turns: readonly SoundMark[]): SoundMark[] =>
  turns.filter(({ text }, index) => turns[index - 1]?.text !== text);

interface Placing {
  piece: { from: number; to: number };
  at: number;
  end: number;
  heard: readonly HeardEntry[];
  clips: ReadonlyMap<string, Float32Array>;
  sampleRate: number;
}

function addPiece(samples: Float32Array, { piece, at, end, heard, clips, sampleRate }: Placing): void {
  const placeOf = (instant: number) => at + Math.round(((instant - piece.from) / 1000) * sampleRate);
  heard.forEach((entry, index) => {
    if (entry.at >= piece.to) return;
    const place = placeOf(entry.at);
    if (entry.kind === 'loop') {
      if (entry.loop === null) return;
      const next = heard.slice(index + 1).find((other) => other.kind === 'loop');
      const cycle = loopSamples(entry.loop, sampleRate);
      const until = Math.min(end, next ? placeOf(next.at) : end);
      for (let begin = place; begin < until; begin += cycle.length) add(samples, cycle, begin, until, at);
    } else if (entry.kind === 'clip') {
      const clip = clips.get(entry.clip);
      if (clip) add(samples, clip, place, end, at);
    } else {
      add(samples, synthesiseDigit(entry.digit, sampleRate, digitSeconds), place, end, at);
    }
  });
}

function loopSamples(loop: HeardLoop, sampleRate: number): Float32Array {
  switch (loop) {
    case 'music':
      return synthesiseTune('valley', sampleRate);
    case 'rain':
    case 'becks':
      return synthesiseTune(loop, sampleRate);
    default:
      return synthesiseTone(progressTones[loop], sampleRate);
  }
}

/** Adds `part` from `place` on, as far as it lies between `from` and `until`. */
function add(samples: Float32Array, part: Float32Array, place: number, until: number, from = 0): void {
  const last = Math.min(part.length, until - place);
  for (let index = Math.max(0, from - place); index < last; index++) {
    samples[place + index] = (samples[place + index] ?? 0) + (part[index] ?? 0);
  }
}

/** Samples at another rate, each between its two neighbours; enough for speech that is brought to a telephone's band. */
export function resample(samples: Float32Array, from: number, to: number): Float32Array {
  if (from === to) return samples;
  const result = new Float32Array(Math.round((samples.length * to) / from));
  for (let index = 0; index < result.length; index++) {
    const at = (index * from) / to;
    const left = Math.floor(at);
    const [a = 0, b = a] = [samples[left], samples[left + 1]];
    result[index] = a + (b - a) * (at - left);
  }
  return result;
}
