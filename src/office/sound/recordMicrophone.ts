/** What the microphone has taken in: one channel, samples between -1 and 1. */
export interface Take {
  samples: Float32Array;
  sampleRate: number;
}

/** Telephone sound needs no more. */
const sampleRate = 16_000;

/** Begins to record; the answer ends it. Rejects where the browser gives no microphone. */
export async function recordMicrophone(microphoneId: string | null): Promise<() => Promise<Take>> {
  const stream = await navigator.mediaDevices.getUserMedia({
    audio: microphoneId === null ? true : { deviceId: microphoneId },
  });
  const recorder = new MediaRecorder(stream);
  const parts: Blob[] = [];
  recorder.ondataavailable = ({ data }) => parts.push(data);
  recorder.start();
  return async () => {
    const stopped = new Promise<void>((resolve) => (recorder.onstop = () => resolve()));
    recorder.stop();
    await stopped;
    for (const track of stream.getTracks()) track.stop();
    const context = new OfflineAudioContext(1, 1, sampleRate);
    const buffer = await context.decodeAudioData(await new Blob(parts).arrayBuffer());
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
