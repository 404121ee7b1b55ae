import { uint8ArrayToBase64 } from 'uint8array-extras';

import type { SoundMark } from '@/core/shared/soundFiles';
import type { ReachedServer } from '@/office/socket';

/** So many samples go at once: two seconds. The first piece goes as soon as there is one, so that whose it is is known. */
const mostSamples = 16_000;

/** Samples a second. */
const rate = 8_000;

/** A sound that is brought to the office piece by piece while it is made: whoever is cut off has left what was said till then. */
export class BroughtSound {
  private readonly take = `${Date.now()}-${crypto.randomUUID().slice(0, 8)}`;
  private number = 0;
  private samples = 0;
  private marks: SoundMark[] = [];
  private pending: Float32Array[] = [];
  private length = 0;
  private last: Promise<void> = Promise.resolve();

  constructor(
    private readonly sound: { id: string; callId: string },
    private readonly ask: ReachedServer['askOfFiles'],
    private readonly onRefused: (why: string) => void,
  ) {}

  add(samples: Float32Array): void {
    this.pending.push(samples);
    this.length += samples.length;
    this.samples += samples.length;
    if (this.number === 0 || this.length >= mostSamples) this.bring();
  }

  /** How much of it there is. */
  get seconds(): number {
    return this.samples / rate;
  }

  /** A place in it that is marked. */
  mark(mark: SoundMark): void {
    this.marks.push(mark);
  }

  /** Resolves once all of it is there, or can't be. */
  async end(): Promise<void> {
    if (this.length > 0 || this.marks.length > 0) this.bring();
    await this.last;
  }

  private bring(): void {
    const pcm = uint8ArrayToBase64(pcmOf(this.pending, this.length));
    const { marks } = this;
    this.pending = [];
    this.marks = [];
    this.length = 0;
    const number = this.number++;
    // One after the other: what is refused once need not be asked for again.
    this.last = this.last.then(() =>
      this.ask({ what: 'append', ...this.sound, take: this.take, number, pcm, marks }).then(
        () => undefined,
        (error: unknown) => {
          if (number === 0) this.onRefused(error instanceof Error ? error.message : String(error));
        },
      ),
    );
  }
}

/** 16 bits a sample, the lower byte first. */
function pcmOf(parts: readonly Float32Array[], length: number): Uint8Array {
  const view = new DataView(new ArrayBuffer(2 * length));
  let at = 0;
  for (const part of parts)
    for (const sample of part) {
      const bounded = Math.max(-1, Math.min(1, sample));
      view.setInt16(at, Math.round(bounded * (bounded < 0 ? 0x8000 : 0x7fff)), true);
      at += 2;
    }
  return new Uint8Array(view.buffer);
}
