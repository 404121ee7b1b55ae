import { useCallback, useEffect, useRef, useState } from 'react';

import { explainMicrophone } from '../../shared/microphone';

interface SoundDevice {
  id: string;
  name: string;
}

interface Wish {
  microphoneId: string | null;
  isNoiseSuppressed: boolean;
}

/** Listens to the microphone while the sheet is open, and lists what sound devices there are. */
export function useMicrophone({ microphoneId, isNoiseSuppressed }: Wish) {
  const [devices, setDevices] = useState<readonly MediaDeviceInfo[]>([]);
  const [level, setLevel] = useState<number | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const stop = useRef<() => void>(() => undefined);

  const start = useCallback(async () => {
    stop.current();
    try {
      const stream = await navigator.mediaDevices.getUserMedia({
        audio: {
          noiseSuppression: isNoiseSuppressed,
          ...(microphoneId !== null && { deviceId: microphoneId }),
        },
      });
      setProblem(null);
      setDevices(await navigator.mediaDevices.enumerateDevices());
      stop.current = follow(stream, setLevel);
    } catch (error) {
      setLevel(null);
      setProblem(explainMicrophone(error));
    }
  }, [microphoneId, isNoiseSuppressed]);

  useEffect(() => {
    const list = async () => setDevices((await navigator.mediaDevices?.enumerateDevices()) ?? []);
    void list();
    navigator.mediaDevices?.addEventListener('devicechange', list);
    return () => {
      navigator.mediaDevices?.removeEventListener('devicechange', list);
      stop.current();
    };
  }, []);

  return {
    microphones: ofKind(devices, 'audioinput'),
    speakers: ofKind(devices, 'audiooutput'),
    /** 0 to 1; null while it does not listen. */
    level,
    problem,
    start,
  };
}

/** Those the browser names only after it was given leave have no name yet. */
function ofKind(devices: readonly MediaDeviceInfo[], kind: MediaDeviceKind): SoundDevice[] {
  return devices
    .filter((device) => device.kind === kind && device.deviceId !== '' && device.deviceId !== 'default')
    .map(({ deviceId, label }) => ({ id: deviceId, name: label || 'Sound device' }));
}

function follow(stream: MediaStream, onLevel: (level: number) => void): () => void {
  const context = new AudioContext();
  const analyser = context.createAnalyser();
  context.createMediaStreamSource(stream).connect(analyser);
  const samples = new Float32Array(analyser.fftSize);
  onLevel(0);
  const timer = setInterval(() => {
    analyser.getFloatTimeDomainData(samples);
    const power = samples.reduce((sum, sample) => sum + sample * sample, 0) / samples.length;
    onLevel(Math.min(1, Math.sqrt(power) * 4));
  }, 100);
  return () => {
    clearInterval(timer);
    for (const track of stream.getTracks()) track.stop();
    void context.close();
  };
}
