import { synthesiseDigit, type HeardEntry } from '@/core/shared/sound';

import { decodeWav, encodeWav, mixHeard, peaksOf, readMarks, silencesOf } from '.';
import { between, loud, powerAt, rate } from '@/core/shared/sound/tests/signal';

describe('a WAV file', () => {
  it('is read back as it was written, with its marks', () => {
    const samples = synthesiseDigit('5', rate);
    const marks = [
      { atSeconds: 0.02, text: 'Paused for 12 s' },
      { atSeconds: 0.05, text: 'Åse Nørgård' },
    ];
    const decoded = decodeWav(encodeWav(samples, rate, marks));
    expect(decoded).toMatchObject({ sampleRate: rate, marks });
    const unordered = encodeWav(samples, rate, [...marks].reverse());
    expect(readMarks(unordered)).toEqual(marks);
    expect(readMarks(Uint8Array.of(1, 2, 3))).toEqual([]);
    if (!decoded.ok) throw new Error(decoded.sentence);
    decoded.samples.forEach((sample, index) => expect(sample).toBeCloseTo(samples[index] ?? NaN, 3));
  });

  it('that is none, or of a kind nobody knows, says so in a sentence', () => {
    const whole = encodeWav(new Float32Array(20), rate);
    const sentence = (bytes: Uint8Array) => {
      const read = decodeWav(bytes);
      return read.ok ? 'read' : read.sentence;
    };
    expect(sentence(new Uint8Array(0))).toBe('This is not a WAV file.');
    expect(sentence(whole.subarray(4))).toBe('This is not a WAV file.');
    expect(sentence(whole.subarray(0, 40))).toBe('The file ends before its sound begins.');
    const strange = whole.slice();
    strange[20] = 85;
    expect(sentence(strange)).toBe('Sound of WAVE format 85 with 16 bit can’t be read.');
  });

  it('cut anywhere never throws, and gives the samples it still holds', () => {
    const whole = encodeWav(new Float32Array(20).fill(0.5), rate);
    for (let length = 0; length < whole.length; length++) {
      const read = decodeWav(whole.subarray(0, length));
      if (!read.ok) continue;
      expect(read.isCutShort).toBe(true);
      expect(read.samples.length).toBe(Math.floor((length - 44) / 2));
    }
  });

  it('whose label is empty, or a hundred thousand letters long, is read', () => {
    const long = encodeWav(new Float32Array(4), rate, [{ atSeconds: 0, text: 'x'.repeat(200_000) }]);
    const read = decodeWav(long);
    expect(read.ok && read.marks[0]?.text).toHaveLength(200_000);
    const labelled = encodeWav(new Float32Array(4), rate, [{ atSeconds: 0, text: '' }]);
    const label = Buffer.from(labelled).lastIndexOf('labl');
    labelled.fill(0, label + 4, label + 8);
    expect(decodeWav(labelled)).toMatchObject({ ok: true, marks: [{ text: '' }] });
  });

  const header = (tag: number, channels: number, bits: number, data: Uint8Array, extra: number[] = []) => {
    const fmt = [...u16(tag), ...u16(channels), ...u32(rate), ...u32(0), ...u16(0), ...u16(bits), ...extra];
    const chunk = (id: string, content: readonly number[]) => [
      ...[...id].map((letter) => letter.charCodeAt(0)),
      ...u32(content.length),
      ...content,
      ...(content.length % 2 === 1 ? [0] : []),
    ];
    // A chunk of an unknown kind and odd length stands before the sound.
    const body = [...chunk('fmt ', fmt), ...chunk('junk', [1, 2, 3]), ...chunk('data', [...data])];
    return Uint8Array.from([...chunk('RIFF', [0x57, 0x41, 0x56, 0x45, ...body])]);
  };
  const u16 = (value: number) => [value & 0xff, value >> 8];
  const u32 = (value: number) => [...u16(value & 0xffff), ...u16(value >>> 16)];
  const bytesOf = (array: ArrayBufferView) =>
    new Uint8Array(array.buffer, array.byteOffset, array.byteLength);

  it.each([
    ['PCM of 8 bit', header(1, 1, 8, Uint8Array.of(128, 192, 64)), [0, 0.5, -0.5]],
    ['PCM of 24 bit', header(1, 1, 24, Uint8Array.of(0, 0, 0x40, 0, 0, 0xc0)), [0.5, -0.5]],
    ['PCM of 32 bit', header(1, 1, 32, bytesOf(Int32Array.of(1 << 30, -(1 << 30)))), [0.5, -0.5]],
    ['float of 32 bit', header(3, 1, 32, bytesOf(Float32Array.of(0.25, -1.5, NaN))), [0.25, -1, 0]],
    ['float of 64 bit', header(3, 1, 64, bytesOf(Float64Array.of(0.25, -0.75))), [0.25, -0.75]],
    [
      'two channels, their mean',
      header(1, 2, 16, bytesOf(Int16Array.of(16384, 0, -16384, -16384))),
      [0.25, -0.5],
    ],
    // ITU-T G.711: the quietest and loudest codes of both signs.
    ['mu-law', header(7, 1, 8, Uint8Array.of(0xff, 0x7f, 0x80, 0x00)), [0, 0, 32124 / 32768, -32124 / 32768]],
    [
      'A-law',
      header(6, 1, 8, Uint8Array.of(0xd5, 0x55, 0xaa, 0x2a)),
      [8 / 32768, -8 / 32768, 32256 / 32768, -32256 / 32768],
    ],
    [
      'an extensible format, by its sub-format',
      header(0xfffe, 1, 16, bytesOf(Int16Array.of(16384)), [22, 0, 16, 0, 0, 0, 0, 0, 1, 0]),
      [0.5],
    ],
  ] as const)('is read as %s', (_, bytes, expected) => {
    const read = decodeWav(bytes);
    if (!read.ok) throw new Error(read.sentence);
    expect([...read.samples].map((value) => Math.round(value * 1e4) / 1e4)).toEqual(
      expected.map((value) => Math.round(value * 1e4) / 1e4),
    );
  });
});

describe('a waveform', () => {
  it('is the loudest of each part, whatever their sign', () => {
    expect([...peaksOf(Float32Array.of(0, 0.5, -0.75, 0.25), 2)]).toEqual([0.5, 0.75]);
    expect([...peaksOf(new Float32Array(0), 3)]).toEqual([0, 0, 0]);
  });

  it('shows the silences that may be skipped, and leaves a breath at their edges', () => {
    const samples = new Float32Array(4 * rate);
    samples.fill(0.5, 0, rate);
    samples.fill(0.5, 3 * rate);
    const [silence, ...more] = silencesOf(samples, rate);
    expect(more).toEqual([]);
    expect(silence?.from).toBeCloseTo(1.15, 1);
    expect(silence?.to).toBeCloseTo(2.85, 1);
    expect(silencesOf(samples.subarray(0, rate), rate)).toEqual([]);
  });
});

describe('a recording', () => {
  const clip = new Float32Array(rate).fill(0.5);
  const pieces = [
    { from: 10_000, to: 12_000 },
    { from: 20_000, to: 21_000 },
  ];

  it('holds the pieces one after the other, the pause between them marked', () => {
    const { samples, marks } = mixHeard({ pieces, heard: [], clips: new Map() }, rate);
    expect(samples.length).toBe(3.6 * rate);
    expect(marks).toEqual([{ atSeconds: 2, text: 'Paused for 8 s' }]);
    expect(powerAt(between(samples, 2, 2.15), 1400)).toBeGreaterThan(0.9);
    expect(loud(between(samples, 0, 2)) || loud(between(samples, 2.6, 3.6))).toBe(false);
  });

  it('holds what was heard when it was heard: loops from their beginning, clips also across its edge', () => {
    const heard: HeardEntry[] = [
      { kind: 'loop', at: 9_000, loop: 'busy' },
      { kind: 'clip', at: 9_500, clip: 'hello' },
      { kind: 'loop', at: 11_000, loop: null },
      { kind: 'digit', at: 11_500, digit: '5' },
      { kind: 'clip', at: 15_000, clip: 'hello' },
      { kind: 'clip', at: 20_500, clip: 'missing' },
    ];
    const { samples } = mixHeard({ pieces, heard, clips: new Map([['hello', clip]]) }, rate);
    expect(samples[100]).toBeGreaterThan(0.2);
    expect(powerAt(between(samples, 0.5, 0.87), 400)).toBeGreaterThan(0.9);
    expect(loud(between(samples, 1, 1.5))).toBe(false);
    expect(powerAt(samples.slice(1.5 * rate, 1.64 * rate), 770)).toBeGreaterThan(0.4);
    expect(loud(between(samples, 2.6, 3.6))).toBe(false);
  });

  it('marks who begins to speak, where that is known; whoever goes on does not begin', () => {
    const says = (at: number, by: string): HeardEntry => ({ kind: 'clip', at, clip: 'hello', by });
    const heard = [
      says(10_500, 'Ilse'),
      says(11_000, 'Ilse'),
      says(11_500, 'Peg'),
      says(15_000, 'Hugh'),
      says(20_250, 'Ilse'),
    ];
    const { marks } = mixHeard({ pieces, heard, clips: new Map() }, rate);
    expect(marks).toEqual([
      { atSeconds: 0.5, text: 'Ilse' },
      { atSeconds: 1.5, text: 'Peg' },
      { atSeconds: 2, text: 'Paused for 8 s' },
      { atSeconds: 2.85, text: 'Ilse' },
    ]);
  });
});
