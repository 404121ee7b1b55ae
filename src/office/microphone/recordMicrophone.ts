import type { NoiseStrength } from '@/core/shared/sound';

import { suppressingRate, suppressNoise } from './suppressNoise';

/** What the microphone has taken in: one channel, samples between -1 and 1. */
export interface Take {
  samples: Float32Array;
  sampleRate: number;
}

/** Which microphone, and what is taken out of what it gives. */
export interface MicrophoneWish {
  /** As the browser knows it; null: its own choice. */
  microphoneId: string | null;
  noise: NoiseStrength;
}

/** A microphone that is open, as others would hear it. */
export interface OpenMicrophone {
  context: AudioContext;
  /** Where its sound comes out. */
  node: AudioNode;
  stream: MediaStream;
  close: () => void;
}

/** Telephone sound needs no more. */
const sampleRate = 16_000;

/** Opens the microphone. Where noise can't be suppressed here, the browser does that as it can. Rejects where it gives none. */
export async function openMicrophone({ microphoneId, noise }: MicrophoneWish): Promise<OpenMicrophone> {
  const ask = (noiseSuppression: boolean) =>
    navigator.mediaDevices.getUserMedia({
      audio: { noiseSuppression, ...(microphoneId !== null && { deviceId: microphoneId }) },
    });
  const stream = await ask(false);
  if (noise === 'off') return opened(stream, new AudioContext(), async (source) => source);
  try {
    const context = new AudioContext({ sampleRate: suppressingRate });
    return await opened(stream, context, (source) => suppressNoise(context, source, noise));
  } catch {
    for (const track of stream.getTracks()) track.stop();
    return opened(await ask(true), new AudioContext(), async (source) => source);
  }
}

/** Lets go of both where it does not come to anything. */
async function opened(
  stream: MediaStream,
  context: AudioContext,
  through: (source: AudioNode) => Promise<AudioNode>,
): Promise<OpenMicrophone> {
  const close = () => {
    for (const track of stream.getTracks()) track.stop();
    void context.close();
  };
  try {
    return { context, node: await through(context.createMediaStreamSource(stream)), stream, close };
  } catch (error) {
    close();
    throw error;
  }
}

/** Begins to record; the answer ends it. Rejects where the browser gives no microphone. */
export async function recordMicrophone(wish: MicrophoneWish): Promise<() => Promise<Take>> {
  const { context, node, close } = await openMicrophone(wish);
  const sent = context.createMediaStreamDestination();
  node.connect(sent);
  const recorder = new MediaRecorder(sent.stream);
  const parts: Blob[] = [];
  recorder.ondataavailable = ({ data }) => parts.push(data);
  recorder.start();
  return async () => {
    const stopped = new Promise<void>((resolve) => (recorder.onstop = () => resolve()));
    recorder.stop();
    await stopped;
    close();
    const decoder = new OfflineAudioContext(1, 1, sampleRate);
    const buffer = await decoder.decodeAudioData(await new Blob(parts).arrayBuffer());
    return { samples: mono(buffer), sampleRate };
  };
}

function mono(buffer: AudioBuffer): Float32Array {
  const samples = new Float32Array(buffer.length);
  for (let channel = 0; channel < buffer.numberOfChannels; channel++)
    buffer.getChannelData(channel).forEach((value, index) => {
      samples[index] = (samples[index] ?? 0) + value / buffer.numberOfChannels;
    });
  return samples;
}
