import { useEffect, useRef, useState } from 'react';

import type { Take } from '@/office/microphone';
import { useAppSelector } from '@/state/app';
import { Txt } from '@/ui/text';
import { useTheme } from '@/ui/tokens';

import { explainMicrophone, fetchMicrophone, idOf } from './microphone';

interface Recording {
  isRecording: boolean;
  /** Why the microphone can't be had. */
  problem: string | null;
  begin: () => Promise<void>;
  /** What was recorded; null where nothing was. */
  end: () => Promise<Take | null>;
}

/** Records with the microphone that was chosen; who goes away meanwhile lets go of it. */
export function useRecording(): Recording {
  const { microphone, noise } = useAppSelector((state) => state.settings);
  const [problem, setProblem] = useState<string | null>(null);
  const [isRecording, setRecording] = useState(false);
  const finish = useRef<(() => Promise<Take>) | null>(null);
  useEffect(
    () => () => {
      void finish.current?.();
    },
    [],
  );
  const begin = async () => {
    setProblem(null);
    try {
      const { recordMicrophone } = await fetchMicrophone();
      finish.current = await recordMicrophone({ microphoneId: await idOf(microphone), noise });
      setRecording(true);
    } catch (error) {
      setProblem(explainMicrophone(error));
    }
  };
  const end = async () => {
    const take = await finish.current?.();
    finish.current = null;
    setRecording(false);
    return take ?? null;
  };
  return { isRecording, problem, begin, end };
}

/** Real seconds, since it is the microphone that runs. */
export function RecordingSeconds({ words }: { words: string }) {
  const { colours } = useTheme();
  const [seconds, setSeconds] = useState(0);
  useEffect(() => {
    const timer = setInterval(() => setSeconds((before) => before + 1), 1000);
    return () => clearInterval(timer);
  }, []);
  return <Txt as="strong" colour={colours.rowan}>{`Recording, ${seconds} s. ${words}`}</Txt>;
}
