import {
  progressTones,
  rings,
  synthesiseDigit,
  synthesiseRing,
  synthesiseTone,
  synthesiseTune,
  type Ring,
  type Tune,
} from '@/core/shared/sound';

/** What goes on until something else takes its place. */
export type Continuous = keyof typeof progressTones | 'music' | 'rain' | 'becks' | `ring ${Ring}` | 'waiting';

/** `waiting`: the browser lets no page sound before somebody has touched it. `none`: this browser makes no sound. */
export type SoundStatus = 'waiting' | 'on' | 'none';

const sampleRate = 16_000;
const gestures = ['pointerdown', 'keydown'] as const;

/** A short pip every few seconds: another call waits (3GPP TS 22.001 F). */
const waitingTone = {
  frequencies: [425],
  cadence: [
    { on: true, seconds: 0.2 },
    { on: false, seconds: 0.6 },
    { on: true, seconds: 0.2 },
    { on: false, seconds: 3 },
  ],
};

/** Chromium's way to choose the loudspeaker; not yet in TypeScript's library. */
type ChoosesSpeaker = AudioContext & { setSinkId?: (id: string) => Promise<void> };

/** Plays with Web Audio: tones and music in loops, digits, and the clips stand-ins speak. */
export class SoundPlayer {
  private context: AudioContext | null = null;
  private playing: { what: Continuous; source: AudioBufferSourceNode | null } | null = null;
  private tried: AudioBufferSourceNode | null = null;
  private file: AudioBufferSourceNode | null = null;
  private ringVolume = 1;
  private readonly buffers = new Map<string, Promise<AudioBuffer>>();
  private status: SoundStatus = 'waiting';
  private speakerId = '';
  /** Where it rings, if that is elsewhere. */
  private ringer: AudioContext | null = null;
  private idle = 0;
  /** Where what is heard here comes out a second time, for who records it. */
  private second: MediaStreamAudioDestinationNode | null = null;

  /** What is being said, since which nothing else was. */
  private saying = 0;

  constructor(
    private readonly onStatus: (status: SoundStatus) => void,
    /** Gives a file that says so; null: it can't. Left out: the browser's own voice says it. */
    private readonly speak?: (words: { text: string; language: string }) => Promise<ArrayBuffer | null>,
  ) {
    for (const gesture of gestures) window.addEventListener(gesture, this.unlock, { capture: true });
    // To open it takes a while, which the first tap need not wait for; it is silent until that tap.
    if ('requestIdleCallback' in window) this.idle = window.requestIdleCallback(this.warmUp);
  }

  /** Begins, changes or (null) stops the continuous sound. */
  play(what: Continuous | null): void {
    if (this.playing?.what === what) return;
    this.playing?.source?.stop();
    this.playing = what && { what, source: null };
    if (what) void this.startLoop();
  }

  /** What is heard from here on, but for what rings elsewhere; null as long as nothing can be heard. */
  heardToo(): MediaStream | null {
    this.second ??= this.context?.createMediaStreamDestination() ?? null;
    return this.second?.stream ?? null;
  }

  /** How loud it rings, 0 to 1, from the next ring on. */
  setRingVolume(volume: number): void {
    this.ringVolume = volume;
  }

  /** One turn of a ring tone, to choose by. */
  async hearRing(ring: Ring): Promise<void> {
    await this.hearTune(null);
    if (!this.context || this.status !== 'on') return;
    const key = `ring ${ring} ${this.ringVolume}`;
    const buffer = await this.synthesised(key, () => synthesiseRing(ring, sampleRate, this.ringVolume));
    void this.ringer?.resume();
    this.tried = this.startSource(this.ringer ?? this.context, buffer, false);
  }

  /** One turn of a tune, to choose by; null ends it. */
  async hearTune(tune: Tune | null): Promise<void> {
    this.tried?.stop();
    this.tried = null;
    if (tune === null || !this.context || this.status !== 'on') return;
    const buffer = await this.synthesised(`tune ${tune}`, () => synthesiseTune(tune, sampleRate));
    this.tried = this.startSource(this.context, buffer, false);
  }

  digit(digit: string): void {
    void this.once(`digit ${digit}`, () => synthesiseDigit(digit, sampleRate, 0.14));
  }

  /** Sends the sound to one device, or (null) where the browser chooses; browsers without that choice stay as they are. */
  async useSpeaker(id: string | null): Promise<void> {
    this.speakerId = id ?? '';
    try {
      await (this.context as ChoosesSpeaker | null)?.setSinkId?.(this.speakerId);
    } catch {
      // The device has been unplugged: the browser goes on with another.
    }
  }

  /** Rings on a device of its own, or (null) where all else is heard. */
  async useRinger(id: string | null): Promise<void> {
    const before = this.ringer;
    this.ringer = null;
    void before?.close();
    if (id === null) return;
    try {
      const ringer: ChoosesSpeaker = new AudioContext();
      await ringer.setSinkId?.(id);
      this.ringer = ringer;
    } catch {
      // The device has been unplugged: it rings where all else is heard.
    }
  }

  /** Plays what a microphone has taken in, once. Resolves when it is over. */
  async playTake({
    samples,
    sampleRate: rate,
  }: {
    samples: Float32Array;
    sampleRate: number;
  }): Promise<void> {
    if (!this.context || this.status !== 'on') return;
    const buffer = new AudioBuffer({ length: Math.max(1, samples.length), sampleRate: rate });
    buffer.copyToChannel(new Float32Array(samples), 0);
    const source = this.startSource(this.context, buffer, false);
    await new Promise((resolve) => (source.onended = resolve));
  }

  /**
   * Says something, as the stand-in voice: where the office speaks, with its voice, else with the browser's own; nothing where there is none.
   * What was said before, or is played of a file, is over. Gives whether it was said to its end. `language`: a tag of BCP 47.
   */
  async say(text: string, language = 'en-GB'): Promise<boolean> {
    this.hush();
    const saying = this.saying;
    const sound = await this.speak?.({ text, language });
    if (saying !== this.saying) return false;
    if (sound && this.context && this.status === 'on') {
      const buffer = await this.context.decodeAudioData(sound);
      // It may be over before it has begun.
      if (saying !== this.saying) return false;
      const file = this.startSource(this.context, buffer, false);
      this.file = file;
      await new Promise((resolve) => (file.onended = resolve));
      return saying === this.saying;
    }
    return sayByBrowser(text, language);
  }

  /** Plays a kept sound (a whole file of a kind the browser knows) once. */
  async playFile(bytes: Uint8Array): Promise<void> {
    if (!this.context || this.status !== 'on') return;
    const buffer = await this.context.decodeAudioData(new Uint8Array(bytes).buffer);
    this.file?.stop();
    this.file = this.startSource(this.context, buffer, false);
  }

  /** Nothing that was being said, or played of a file, is heard any more. */
  hush(): void {
    this.saying++;
    if (typeof speechSynthesis !== 'undefined') speechSynthesis.cancel();
    this.file?.stop();
    this.file = null;
  }

  /** Speaks one of the committed clips. */
  async clip(id: string): Promise<void> {
    const { context } = this;
    if (!context || this.status !== 'on') return;
    try {
      const buffer = await this.buffer(`clip ${id}`, async () => {
        const response = await fetch(`/voices/${id}.wav`);
        if (!response.ok) throw new Error(`No clip ${id}`);
        return context.decodeAudioData(await response.arrayBuffer());
      });
      this.startSource(context, buffer, false);
    } catch {
      // The words are on the screen; a clip that could not be fetched is not worth a message.
      this.buffers.delete(`clip ${id}`);
    }
  }

  close(): void {
    if (this.idle !== 0) window.cancelIdleCallback(this.idle);
    for (const gesture of gestures) window.removeEventListener(gesture, this.unlock, { capture: true });
    this.play(null);
    void this.hearTune(null);
    void this.context?.close();
    void this.ringer?.close();
  }

  private open(): void {
    this.context ??= new AudioContext();
  }

  private readonly warmUp = () => {
    try {
      this.open();
    } catch {
      // That this browser makes no sound is said at the first tap.
    }
  };

  private readonly unlock = async () => {
    if (this.status !== 'waiting') return;
    try {
      this.open();
      await this.context?.resume();
      if (this.speakerId !== '') await this.useSpeaker(this.speakerId);
      this.setStatus(this.context?.state === 'running' ? 'on' : 'waiting');
    } catch {
      this.setStatus('none');
    }
    if (this.playing && !this.playing.source) void this.startLoop();
  };

  private setStatus(status: SoundStatus): void {
    if (this.status === status) return;
    this.status = status;
    this.onStatus(status);
  }

  private async startLoop(): Promise<void> {
    const { context, playing } = this;
    if (!context || !playing || this.status !== 'on') return;
    const buffer = await this.synthesised(`${playing.what} ${this.ringVolume}`, () =>
      this.samplesOf(playing.what),
    );
    const isRing = playing.what.startsWith('ring ');
    // Opened before anybody had touched the page, it waits.
    if (isRing) void this.ringer?.resume();
    if (this.playing === playing)
      playing.source = this.startSource((isRing && this.ringer) || context, buffer, true);
  }

  private samplesOf(what: Continuous): Float32Array {
    const ring = rings.find((each) => what === `ring ${each}`);
    if (ring) return synthesiseRing(ring, sampleRate, this.ringVolume);
    return loopSamples(what as Exclude<Continuous, `ring ${Ring}`>);
  }

  private async once(key: string, samples: () => Float32Array): Promise<void> {
    if (!this.context || this.status !== 'on') return;
    this.startSource(this.context, await this.synthesised(key, samples), false);
  }

  private startSource(context: AudioContext, buffer: AudioBuffer, loop: boolean): AudioBufferSourceNode {
    const source = context.createBufferSource();
    source.buffer = buffer;
    source.loop = loop;
    source.connect(context.destination);
    if (this.second && context === this.context) source.connect(this.second);
    source.start();
    return source;
  }

  private synthesised(key: string, make: () => Float32Array): Promise<AudioBuffer> {
    return this.buffer(key, async () => {
      const samples = make();
      const buffer = new AudioBuffer({ length: samples.length, sampleRate });
      buffer.copyToChannel(new Float32Array(samples), 0);
      return buffer;
    });
  }

  private buffer(key: string, make: () => Promise<AudioBuffer>): Promise<AudioBuffer> {
    const known = this.buffers.get(key);
    if (known) return known;
    const made = make();
    this.buffers.set(key, made);
    return made;
  }
}

function sayByBrowser(text: string, language: string): Promise<boolean> {
  // A browser without voices would never say that it has ended.
  if (typeof speechSynthesis === 'undefined' || speechSynthesis.getVoices().length === 0)
    return Promise.resolve(true);
  const words = new SpeechSynthesisUtterance(text);
  words.lang = language;
  return new Promise((resolve) => {
    words.onend = () => resolve(true);
    words.onerror = () => resolve(false);
    speechSynthesis.speak(words);
  });
}

function loopSamples(what: Exclude<Continuous, `ring ${Ring}`>): Float32Array {
  switch (what) {
    case 'music':
      return synthesiseTune('valley', sampleRate);
    case 'rain':
    case 'becks':
      return synthesiseTune(what, sampleRate);
    case 'waiting':
      return synthesiseTone(waitingTone, sampleRate);
    default:
      return synthesiseTone(progressTones[what], sampleRate);
  }
}
