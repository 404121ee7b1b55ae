import { OutgoingVoice } from '.';
import type { OpenMicrophone } from './recordMicrophone';

/** A node that knows what leads into it. */
class Node {
  readonly into = new Set<Node>();
  connect(to: Node) {
    to.into.add(this);
    this.leads = to;
  }
  disconnect() {
    this.leads?.into.delete(this);
  }
  private leads: Node | null = null;
}

const shared = (hasSound: boolean) =>
  ({ getAudioTracks: () => (hasSound ? [{}] : []) }) as unknown as MediaStream;

function opened() {
  const microphone = new Node();
  const out = Object.assign(new Node(), { stream: { getAudioTracks: () => ['voice'] } });
  let isClosed = false;
  const sounds = new Map<MediaStream, Node>();
  const voice = new OutgoingVoice({
    node: microphone,
    context: {
      createMediaStreamDestination: () => out,
      createMediaStreamSource: (stream: MediaStream) => {
        const node = new Node();
        sounds.set(stream, node);
        return node;
      },
    },
    close: () => (isClosed = true),
  } as unknown as OpenMicrophone);
  const heard = () => [...out.into].map((node) => (node === microphone ? 'microphone' : node));
  return { voice, heard, sounds, isClosed: () => isClosed };
}

describe('what others hear of a device', () => {
  it('is its microphone, and what it shares as long as it does', () => {
    const { voice, heard, sounds } = opened();
    const [film, still, song] = [shared(true), shared(false), shared(true)];
    expect(voice.track).toBe('voice');
    voice.mix([film, still]);
    const node = sounds.get(film);
    expect(heard()).toEqual(['microphone', node]);
    // The same again is the same.
    voice.mix([film, song]);
    expect(heard()).toEqual(['microphone', node, sounds.get(song)]);
    voice.mix([]);
    expect(heard()).toEqual(['microphone']);
  });

  it('is nothing once it is closed', () => {
    const { voice, heard, isClosed } = opened();
    voice.mix([shared(true)]);
    voice.close();
    expect(heard()).toEqual(['microphone']);
    expect(isClosed()).toBe(true);
  });
});
