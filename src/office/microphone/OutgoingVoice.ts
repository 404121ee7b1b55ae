import type { OpenMicrophone } from './recordMicrophone';

/** What others hear of this device: its microphone, and with it the sound of what it shares. */
export class OutgoingVoice {
  private readonly out: MediaStreamAudioDestinationNode;
  private readonly mixed = new Map<MediaStream, MediaStreamAudioSourceNode>();

  constructor(private readonly opened: OpenMicrophone) {
    this.out = opened.context.createMediaStreamDestination();
    opened.node.connect(this.out);
  }

  /** null: this browser gives none. */
  get track(): MediaStreamTrack | null {
    return this.out.stream.getAudioTracks()[0] ?? null;
  }

  /** These sounds go with the voice from now on, and no others; streams without any are passed over. */
  mix(streams: readonly MediaStream[]): void {
    const sounding = streams.filter((stream) => stream.getAudioTracks().length > 0);
    for (const [stream, node] of this.mixed)
      if (!sounding.includes(stream)) {
        node.disconnect();
        this.mixed.delete(stream);
      }
    for (const stream of sounding) {
      if (this.mixed.has(stream)) continue;
      const node = this.opened.context.createMediaStreamSource(stream);
      node.connect(this.out);
      this.mixed.set(stream, node);
    }
  }

  close(): void {
    this.mix([]);
    this.opened.close();
  }
}
