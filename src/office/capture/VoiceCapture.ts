/** A telephone's band, in which what is kept of calls is. */
export const captureRate = 8_000;
/** So many samples say how loud it is: an eighth of a second. */
const lookedAt = 1_024;

interface Source {
  track: MediaStreamTrack;
  node: MediaStreamAudioSourceNode;
  gate: GainNode;
  /** What has been taken in of it lately. */
  analyser: AnalyserNode;
}

/** Takes in what several voices say as one sound, in pieces of half a second while they speak. */
export class VoiceCapture {
  private readonly sources = new Map<string, Source>();

  private constructor(
    private readonly context: AudioContext,
    private readonly worklet: AudioWorkletNode,
    private readonly ended: Promise<void>,
  ) {}

  /**
   * @param onPiece one channel, `captureRate` samples a second
   * Rejects where this browser can't.
   */
  static async open(onPiece: (samples: Float32Array) => void): Promise<VoiceCapture> {
    const context = new AudioContext({ sampleRate: captureRate });
    try {
      await context.audioWorklet.addModule('/capture.js');
      const worklet = new AudioWorkletNode(context, 'capture', {
        ...{ numberOfInputs: 1, numberOfOutputs: 1 },
        ...{ channelCount: 1, channelCountMode: 'explicit' },
      });
      const ended = new Promise<void>((resolve) => {
        worklet.port.onmessage = ({ data }: MessageEvent<Float32Array | null>) =>
          data === null ? resolve() : onPiece(data);
      });
      // It gives out silence, and is drawn on only where it leads to somewhere.
      worklet.connect(context.destination);
      await context.resume();
      return new VoiceCapture(context, worklet, ended);
    } catch (error) {
      void context.close();
      throw error;
    }
  }

  /** A voice that belongs to it from now on; another one under the same name takes its place. */
  add(name: string, stream: MediaStream): void {
    const [track] = stream.getAudioTracks();
    if (!track || this.sources.get(name)?.track === track) return;
    this.drop(name);
    const node = this.context.createMediaStreamSource(stream);
    const gate = new GainNode(this.context);
    const analyser = new AnalyserNode(this.context, { fftSize: lookedAt });
    node.connect(gate).connect(this.worklet);
    gate.connect(analyser);
    this.sources.set(name, { track, node, gate, analyser });
  }

  /** Whether what it says is taken in. */
  gate(name: string, isOpen: boolean): void {
    const source = this.sources.get(name);
    if (source) source.gate.gain.value = isOpen ? 1 : 0;
  }

  /** How loud it is taken in now, in dBov; of what is not there, as silence. */
  levelOf(name: string): number {
    const { analyser } = this.sources.get(name) ?? {};
    if (!analyser) return -127;
    const samples = new Float32Array(lookedAt);
    analyser.getFloatTimeDomainData(samples);
    const power = samples.reduce((sum, sample) => sum + sample * sample, 0) / lookedAt;
    return Math.max(-127, 10 * Math.log10(power || Number.MIN_VALUE));
  }

  /** Voices that are not among these have gone. */
  keepOnly(names: ReadonlySet<string>): void {
    for (const name of this.sources.keys()) if (!names.has(name)) this.drop(name);
  }

  pause(isPaused: boolean): void {
    this.worklet.port.postMessage(isPaused ? 'pause' : 'resume');
  }

  /** Resolves once the last piece was handed over. */
  async end(): Promise<void> {
    this.worklet.port.postMessage('end');
    await this.ended;
    for (const name of this.sources.keys()) this.drop(name);
    await this.context.close();
  }

  private drop(name: string): void {
    const source = this.sources.get(name);
    source?.node.disconnect();
    source?.gate.disconnect();
    source?.analyser.disconnect();
    this.sources.delete(name);
  }
}
