import { SoundPlayer, type SoundStatus } from '.';

interface FakeSource {
  buffer: unknown;
  loop: boolean;
  started: boolean;
  stopped: boolean;
  onended?: () => void;
}

const sources: FakeSource[] = [];
let contextState = 'running';
/** What is read of a file is there after that. */
let reading: Promise<void> = Promise.resolve();

class FakeContext {
  destination = {};
  get state() {
    return contextState;
  }
  resume = async () => undefined;
  close = async () => undefined;
  decodeAudioData = async () => {
    await reading;
    return { length: 1 };
  };
  createBufferSource() {
    const source: FakeSource = { buffer: null, loop: false, started: false, stopped: false };
    sources.push(source);
    return Object.assign(source, {
      connect: () => undefined,
      start: () => (source.started = true),
      stop: () => (source.stopped = true),
    });
  }
}

class FakeBuffer {
  samples: Float32Array = new Float32Array();
  constructor(readonly options: { length: number; sampleRate: number }) {}
  copyToChannel(samples: Float32Array) {
    this.samples = samples;
  }
}

const listeners = new Map<string, () => void>();
const fakeWindow = {
  addEventListener: (name: string, listener: () => void) => listeners.set(name, listener),
  removeEventListener: (name: string) => listeners.delete(name),
};

const soon = () => new Promise((resolve) => setTimeout(resolve, 0));

function open(speak?: ConstructorParameters<typeof SoundPlayer>[1]) {
  const statuses: SoundStatus[] = [];
  const player = new SoundPlayer((status) => statuses.push(status), speak);
  return {
    player,
    statuses,
    touch: async () => {
      listeners.get('pointerdown')?.();
      await soon();
      await soon();
    },
  };
}

describe('the loudspeaker', () => {
  beforeEach(() => {
    sources.length = 0;
    contextState = 'running';
    Object.assign(globalThis, { window: fakeWindow, AudioContext: FakeContext, AudioBuffer: FakeBuffer });
  });

  it('is silent until the page is touched, then sounds what goes on', async () => {
    const { player, statuses, touch } = open();
    player.play('ringback');
    await soon();
    expect(sources).toEqual([]);
    await touch();
    expect(statuses).toEqual(['on']);
    expect(sources).toMatchObject([{ loop: true, started: true, stopped: false }]);
  });

  it('changes over from one sound to the next, and stops', async () => {
    const { player, touch } = open();
    await touch();
    player.play('ring bell');
    await soon();
    player.play('music');
    await soon();
    player.play('music');
    await soon();
    player.play(null);
    expect(sources.map(({ stopped }) => stopped)).toEqual([true, true]);
  });

  it('lets a tune be heard once to choose by, until it is ended or another is', async () => {
    const { player, touch } = open();
    await touch();
    await player.hearTune('rain');
    await player.hearTune('becks');
    await player.hearTune(null);
    expect(sources).toMatchObject([
      { loop: false, started: true, stopped: true },
      { loop: false, started: true, stopped: true },
    ]);
  });

  it('never begins a sound that was stopped before it was ready', async () => {
    const { player, touch } = open();
    await touch();
    player.play('busy');
    player.play(null);
    await soon();
    expect(sources.filter(({ started, stopped }) => started && !stopped)).toEqual([]);
  });

  it('says so when the browser keeps it waiting, and when it has no sound at all', async () => {
    contextState = 'suspended';
    const waiting = open();
    await waiting.touch();
    expect(waiting.statuses).toEqual([]);
    Object.assign(globalThis, {
      AudioContext: class {
        constructor() {
          throw new Error('no sound');
        }
      },
    });
    const none = open();
    await none.touch();
    expect(none.statuses).toEqual(['none']);
  });

  it('says words with the office’s voice, to their end; what comes after something else was said is not heard', async () => {
    const asked: string[] = [];
    const give: (() => void)[] = [];
    const { player, touch } = open(({ text, language }) => {
      asked.push(`${language}: ${text}`);
      return new Promise((resolve) => give.push(() => resolve(new ArrayBuffer(8))));
    });
    await touch();
    const first = player.say('One moment.');
    const second = player.say('Os gwelwch yn dda.', 'cy');
    give.forEach((each) => each());
    expect(await first).toBe(false);
    await soon();
    expect(asked).toEqual(['en-GB: One moment.', 'cy: Os gwelwch yn dda.']);
    expect(sources).toHaveLength(1);
    sources[0]?.onended?.();
    expect(await second).toBe(true);
    const third = player.say('Again.');
    player.hush();
    give.at(-1)?.();
    expect(await third).toBe(false);
    // Also where its sound is there already, and is being read.
    let isRead = () => undefined as void;
    reading = new Promise((resolve) => (isRead = resolve));
    const fourth = player.say('Once more.');
    give.at(-1)?.();
    await soon();
    player.hush();
    isRead();
    expect(await fourth).toBe(false);
    expect(sources).toHaveLength(1);
  });

  it('a digit sounds once', async () => {
    const { player, touch } = open();
    await touch();
    player.digit('5');
    await soon();
    expect(sources).toMatchObject([{ loop: false, started: true }]);
    const buffer = sources[0]?.buffer as FakeBuffer;
    expect(buffer.options.length / buffer.options.sampleRate).toBeCloseTo(0.14);
  });

  it('a clip that can’t be fetched is passed over', async () => {
    const { player, touch } = open();
    await touch();
    Object.assign(globalThis, { fetch: async () => ({ ok: false }) });
    await expect(player.clip('nobody')).resolves.toBeUndefined();
    expect(sources).toEqual([]);
  });
});
