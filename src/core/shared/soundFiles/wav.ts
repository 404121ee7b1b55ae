/** A place in a recording that is marked, with what it says. */
export interface SoundMark {
  atSeconds: number;
  text: string;
}

const bytesPerSample = 2;

/**
 * Samples between -1 and 1 as a WAV file: RIFF, PCM 16 bit, one channel. Marks become cue points with labels
 * (RIFF "cue " and "adtl" lists), which sound editors show.
 */
export function encodeWav(
  samples: Float32Array,
  sampleRate: number,
  marks: readonly SoundMark[] = [],
): Uint8Array<ArrayBuffer> {
  const format = [
    u16(formats.pcm),
    u16(1),
    u32(sampleRate),
    u32(sampleRate * bytesPerSample),
    u16(2),
    u16(16),
  ];
  const chunks = [chunk('fmt ', format), chunk('data', [pcm16(samples)])];
  if (marks.length > 0) {
    const cues = marks.map(({ atSeconds }, index) => {
      const at = u32(Math.round(atSeconds * sampleRate));
      return concat([u32(index + 1), at, text('data'), u32(0), u32(0), at]);
    });
    const labels = marks.map(({ text: words }, index) =>
      chunk('labl', [u32(index + 1), letters(`${words}\0`)]),
    );
    chunks.push(chunk('cue ', [u32(marks.length), ...cues]), chunk('LIST', [text('adtl'), ...labels]));
  }
  return chunk('RIFF', [text('WAVE'), ...chunks]);
}

export interface DecodedWav {
  /** One channel, between -1 and 1; of several the mean. */
  samples: Float32Array;
  sampleRate: number;
  marks: SoundMark[];
  /** Whether the file ends before its own length says: what is there is kept. */
  isCutShort: boolean;
}

export type WavResult = ({ ok: true } & DecodedWav) | { ok: false; sentence: string };

/** WAVE format tags (RFC 2361); an extensible format names its own in its sub-format. */
const formats = { pcm: 1, float: 3, aLaw: 6, muLaw: 7, extensible: 0xfffe } as const;

interface Layout {
  tag: number;
  channels: number;
  sampleRate: number;
  bytesEach: number;
}

/**
 * Reads a WAV file: PCM of 8, 16, 24 or 32 bit, float of 32 or 64 bit, G.711 mu-law and A-law, any number of channels.
 * A file that is cut short gives what it holds; chunks of odd length and unknown kinds are passed over.
 */
export function decodeWav(bytes: Uint8Array): WavResult {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const word = (at: number) => String.fromCharCode(...bytes.subarray(at, at + 4));
  if (bytes.length < 12 || word(0) !== 'RIFF' || word(8) !== 'WAVE')
    return { ok: false, sentence: 'This is not a WAV file.' };
  let layout: Layout | null = null;
  let samples: Float32Array | null = null;
  let isCutShort = false;
  for (const { id, from, to, isCut } of chunksOf(bytes, 12, bytes.length)) {
    if (id === 'fmt ') {
      layout = readLayout(view, from, to);
      if (!layout) return { ok: false, sentence: 'The file does not say how its sound is written.' };
    } else if (id === 'data' && layout && !samples) {
      const read = readerOf(layout);
      if (!read)
        return {
          ok: false,
          sentence: `Sound of WAVE format ${layout.tag} with ${layout.bytesEach * 8} bit can’t be read.`,
        };
      samples = readSamples(view, from, to, layout, read);
      isCutShort = isCut;
    }
  }
  if (!layout || !samples) return { ok: false, sentence: 'The file ends before its sound begins.' };
  const { sampleRate } = layout;
  return { ok: true, samples, sampleRate, marks: readMarks(bytes), isCutShort };
}

/** The marks in a WAV file, in order of time, without its sound being read; of what is none there are none. */
export function readMarks(bytes: Uint8Array): SoundMark[] {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  let layout: Layout | null = null;
  const cues = new Map<number, number>();
  const labels = new Map<number, string>();
  for (const { id, from, to } of chunksOf(bytes, 12, bytes.length))
    if (id === 'fmt ') layout = readLayout(view, from, to);
    else if (id === 'cue ')
      for (let at = from + 4; at + 24 <= to; at += 24)
        cues.set(view.getUint32(at, true), view.getUint32(at + 20, true));
    else if (id === 'LIST')
      for (const label of chunksOf(bytes, from + 4, to)) {
        if (label.id !== 'labl' || label.to - label.from < 4) continue;
        const words = latin1(bytes.subarray(label.from + 4, label.to));
        labels.set(view.getUint32(label.from, true), words.split('\0')[0] ?? '');
      }
  const { sampleRate } = layout ?? {};
  if (sampleRate === undefined) return [];
  return [...cues]
    .map(([id, at]) => ({ atSeconds: at / sampleRate, text: labels.get(id) ?? '' }))
    .sort((one, other) => one.atSeconds - other.atSeconds);
}

function readLayout(view: DataView, from: number, to: number): Layout | null {
  if (to - from < 16) return null;
  const tag = view.getUint16(from, true);
  const channels = view.getUint16(from + 2, true);
  const sampleRate = view.getUint32(from + 4, true);
  const bytesEach = Math.ceil(view.getUint16(from + 14, true) / 8);
  if (channels === 0 || sampleRate === 0 || bytesEach === 0) return null;
  const isExtensible = tag === formats.extensible && to - from >= 26;
  return { tag: isExtensible ? view.getUint16(from + 24, true) : tag, channels, sampleRate, bytesEach };
}

type Reader = (view: DataView, at: number) => number;

/** Sound editors write labels in letters of one byte each. */
const latin1 = (bytes: Uint8Array) => Array.from(bytes, (byte) => String.fromCharCode(byte)).join('');

/** How one sample is read, between -1 and 1; null for a format nobody here knows. */
function readerOf({ tag, bytesEach }: Layout): Reader | null {
  switch (`${tag} ${bytesEach}`) {
    case `${formats.pcm} 1`:
      return (view, at) => (view.getUint8(at) - 128) / 128;
    case `${formats.pcm} 2`:
      return (view, at) => view.getInt16(at, true) / 0x8000;
    case `${formats.pcm} 3`:
      return (view, at) => (view.getUint16(at, true) | (view.getInt8(at + 2) << 16)) / 0x800000;
    case `${formats.pcm} 4`:
      return (view, at) => view.getInt32(at, true) / 0x80000000;
    case `${formats.float} 4`:
      return (view, at) => view.getFloat32(at, true);
    case `${formats.float} 8`:
      return (view, at) => view.getFloat64(at, true);
    case `${formats.muLaw} 1`:
      return (view, at) => fromMuLaw(view.getUint8(at));
    case `${formats.aLaw} 1`:
      return (view, at) => fromALaw(view.getUint8(at));
    default:
      return null;
  }
}

/** ITU-T G.711 table 2a: sign, three bits of segment, four of step, all inverted. */
function fromMuLaw(code: number): number {
  const value = ~code & 0xff;
  const magnitude = ((((value & 0x0f) << 3) + 0x84) << ((value & 0x70) >> 4)) - 0x84;
  return (value & 0x80 ? -magnitude : magnitude) / 0x8000;
}

/** ITU-T G.711 table 1a: every other bit inverted. */
function fromALaw(code: number): number {
  const value = code ^ 0x55;
  const segment = (value & 0x70) >> 4;
  const step = (value & 0x0f) << 4;
  const magnitude = segment === 0 ? step + 8 : (step + 0x108) << (segment - 1);
  return (value & 0x80 ? magnitude : -magnitude) / 0x8000;
}

function readSamples(
  view: DataView,
  from: number,
  to: number,
  { channels, bytesEach }: Layout,
  read: Reader,
): Float32Array {
  const frame = channels * bytesEach;
  const samples = new Float32Array(Math.floor((to - from) / frame));
  for (let index = 0; index < samples.length; index++) {
    let sum = 0;
    for (let channel = 0; channel < channels; channel++)
      sum += read(view, from + index * frame + channel * bytesEach);
    const value = sum / channels;
    samples[index] = Number.isFinite(value) ? Math.max(-1, Math.min(1, value)) : 0;
  }
  return samples;
}

function* chunksOf(bytes: Uint8Array, from: number, end: number) {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  for (let at = from; at + 8 <= end;) {
    const id = String.fromCharCode(...bytes.subarray(at, at + 4));
    const wanted = view.getUint32(at + 4, true);
    const size = Math.min(wanted, end - at - 8);
    yield { id, from: at + 8, to: at + 8 + size, isCut: size < wanted };
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

/** Labels are read in letters of one byte each (ISO 8859-1); for others stands a question mark. */
const letters = (words: string) =>
  Uint8Array.from(words.normalize('NFC'), (letter) => {
    const code = letter.charCodeAt(0);
    return code <= 0xff ? code : 0x3f;
  });
/** RIFF text is ASCII. */
const text = (words: string) => Uint8Array.from(words, (letter) => Math.min(letter.charCodeAt(0), 0x7f));
const u16 = (value: number) => new Uint8Array([value & 0xff, value >> 8]);
const u32 = (value: number) =>
  new Uint8Array([value & 0xff, (value >>> 8) & 0xff, (value >>> 16) & 0xff, value >>> 24]);
