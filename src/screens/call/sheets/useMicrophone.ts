import { useCallback, useEffect, useRef, useState } from 'react';

import type { NoiseStrength } from '@/core/shared/sound';
import type { OpenMicrophone } from '@/office/microphone';
import { soundDevicesOf, type SoundDevice } from '@/office/sound';

import { explainMicrophone, fetchMicrophone, idOf } from '../../shared/microphone';

interface Wish {
  microphone: SoundDevice | null;
  noise: NoiseStrength;
}

/** Listens to the microphone while the sheet is open, as others would hear it, and lists what sound devices there are. */
export function useMicrophone({ microphone, noise }: Wish) {
  const [devices, setDevices] = useState<readonly MediaDeviceInfo[]>([]);
  const [level, setLevel] = useState<number | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  /** `turn`: the last one asked for; of two that are being opened, the earlier one is closed again. */
  const open = useRef({ turn: 0, isListening: false, stop: () => undefined as void });

  const start = useCallback(async () => {
    const mine = ++open.current.turn;
    open.current.stop();
    try {
      const { openMicrophone } = await fetchMicrophone();
      const opened = await openMicrophone({ microphoneId: await idOf(microphone), noise });
      if (mine !== open.current.turn) return opened.close();
      setProblem(null);
      setDevices(await navigator.mediaDevices.enumerateDevices());
      const onGone = () => setProblem('That microphone is gone. Choose another one.');
      Object.assign(open.current, { isListening: true, stop: follow(opened, setLevel, onGone) });
    } catch (error) {
      setLevel(null);
      setProblem(explainMicrophone(error));
    }
  }, [microphone, noise]);

  // What is chosen while it listens is heard at once.
  useEffect(() => {
    if (open.current.isListening) void start();
  }, [start]);

  useEffect(() => {
    const here = open.current;
    const list = async () => setDevices((await navigator.mediaDevices?.enumerateDevices()) ?? []);
    void list();
    navigator.mediaDevices?.addEventListener('devicechange', list);
    return () => {
      navigator.mediaDevices?.removeEventListener('devicechange', list);
      here.turn++;
      here.stop();
    };
  }, []);

  return {
    microphones: soundDevicesOf(devices, 'audioinput'),
    speakers: soundDevicesOf(devices, 'audiooutput'),
    /** 0 to 1; null while it does not listen. */
    level,
    problem,
    start,
  };
}

function follow(open: OpenMicrophone, onLevel: (level: number) => void, onGone: () => void): () => void {
  const { context, node, stream } = open;
  const analyser = context.createAnalyser();
  node.connect(analyser);
  const samples = new Float32Array(analyser.fftSize);
  onLevel(0);
  for (const track of stream.getTracks()) track.onended = onGone;
  const timer = setInterval(() => {
    analyser.getFloatTimeDomainData(samples);
    const power = samples.reduce((sum, sample) => sum + sample * sample, 0) / samples.length;
    onLevel(Math.min(1, Math.sqrt(power) * 4));
  }, 100);
  return () => {
    clearInterval(timer);
    for (const track of stream.getTracks()) track.onended = null;
    open.close();
  };
}
