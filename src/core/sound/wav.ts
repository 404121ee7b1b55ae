/** A place in a recording that is marked, with what it says. */
export interface SoundMark {
  atSeconds: number;
  text: string;
}

const bytesPerSample = 2;
const pcm = 1;

/**
 * Samples between -1 and 1 as a WAV file: RIFF, PCM 16 bit, one channel. Marks become cue points with labels
 * (RIFF "cue " and "adtl" lists), which sound editors show.
 */
export function encodeWav(
  samples: Float32Array,
  sampleRate: number,
  marks: readonly SoundMark[] = [],
): Uint8Array<ArrayBuffer> {
  const format = [u16(pcm), u16(1), u32(sampleRate), u32(sampleRate * bytesPerSample), u16(2), u16(16)];
  const chunks = [chunk('fmt ', format), chunk('data', [pcm16(samples)])];
  if (marks.length > 0) {
    const cues = marks.map(({ atSeconds }, index) => {
      const at = u32(Math.round(atSeconds * sampleRate));
      return concat([u32(index + 1), at, text('data'), u32(0), u32(0), at]);
    });
    const labels = marks.map(({ text: words }, index) => chunk('labl', [u32(index + 1), text(`${words}\0`)]));
    chunks.push(chunk('cue ', [u32(marks.length), ...cues]), chunk('LIST', [text('adtl'), ...labels]));
  }
  return chunk('RIFF', [text('WAVE'), ...chunks]);
}

export interface DecodedWav {
  samples: Float32Array;
  sampleRate: number;
  marks: SoundMark[];
}

/** Reads PCM of 8 or 16 bit and one channel; null for anything else. */
export function decodeWav(bytes: Uint8Array): DecodedWav | null {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const word = (at: number) => String.fromCharCode(...bytes.subarray(at, at + 4));
  if (bytes.length < 12 || word(0) !== 'RIFF' || word(8) !== 'WAVE') return null;
  let [sampleRate, bits] = [0, 0];
  let samples: Float32Array | null = null;
  const cues = new Map<number, number>();
  const labels = new Map<number, string>();
  for (const { id, from, to } of chunksOf(bytes, 12, bytes.length)) {
    if (id === 'fmt ') {
      if (to - from < 16 || view.getUint16(from, true) !== pcm || view.getUint16(from + 2, true) !== 1)
        return null;
      sampleRate = view.getUint32(from + 4, true);
      bits = view.getUint16(from + 14, true);
    } else if (id === 'data' && (bits === 8 || bits === 16)) {
      samples = readPcm(view, from, to, bits);
    } else if (id === 'cue ') {
      for (let at = from + 4; at + 24 <= to; at += 24)
        cues.set(view.getUint32(at, true), view.getUint32(at + 20, true));
    } else if (id === 'LIST') {
      for (const label of chunksOf(bytes, from + 4, to)) {
        if (label.id !== 'labl') continue;
        const words = String.fromCharCode(...bytes.subarray(label.from + 4, label.to));
        labels.set(view.getUint32(label.from, true), words.split('\0')[0] ?? '');
      }
    }
  }
  if (!samples || sampleRate === 0) return null;
  const marks = [...cues].map(([id, at]) => ({ atSeconds: at / sampleRate, text: labels.get(id) ?? '' }));
  return { samples, sampleRate, marks };
}

function readPcm(view: DataView, from: number, to: number, bits: 8 | 16): Float32Array {
  const samples = new Float32Array(Math.floor((to - from) / (bits / 8)));
  for (let index = 0; index < samples.length; index++) {
    samples[index] =
      bits === 8 ? (view.getUint8(from + index) - 128) / 128 : view.getInt16(from + index * 2, true) / 32768;
  }
  return samples;
}

function* chunksOf(bytes: Uint8Array, from: number, end: number) {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  for (let at = from; at + 8 <= end;) {
    const id = String.fromCharCode(...bytes.subarray(at, at + 4));
    const size = Math.min(view.getUint32(at + 4, true), end - at - 8);
    yield { id, from: at + 8, to: at + 8 + size };
    at += 8 + size + (size % 2);
  }
}

function pcm16(samples: Float32Array): Uint8Array<ArrayBuffer> {
  const bytes = new Uint8Array(samples.length * bytesPerSample);
  const view = new DataView(bytes.buffer);
  samples.forEach((value, index) => {
    view.setInt16(index * 2, Math.round(Math.max(-1, Math.min(1, value)) * 32767), true);
  });
  return bytes;
}

/** Id, length, content, and a byte to make the length even. */
function chunk(id: string, parts: readonly Uint8Array[]): Uint8Array<ArrayBuffer> {
  const content = concat(parts);
  const pad = new Uint8Array(content.length % 2);
  return concat([text(id), u32(content.length), content, pad]);
}

function concat(parts: readonly Uint8Array[]): Uint8Array<ArrayBuffer> {
  const whole = new Uint8Array(parts.reduce((sum, { length }) => sum + length, 0));
  let at = 0;
  for (const part of parts) {
    whole.set(part, at);
    at += part.length;
  }
  return whole;
}

/** RIFF text is ASCII. */
const text = (words: string) => Uint8Array.from(words, (letter) => Math.min(letter.charCodeAt(0), 0x7f));
const u16 = (value: number) => new Uint8Array([value & 0xff, value >> 8]);
const u32 = (value: number) =>
  new Uint8Array([value & 0xff, (value >>> 8) & 0xff, (value >>> 16) & 0xff, value >>> 24]);
