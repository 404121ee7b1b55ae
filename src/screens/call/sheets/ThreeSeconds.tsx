import { useEffect, useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';

import type { Take } from '@/office/microphone';
import { soundChosen, useAppDispatch, useAppSelector, useServices } from '@/state/app';
import { Problem } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

import { explainMicrophone, fetchMicrophone, idOf } from '../../shared/microphone';
import { soundTestWords } from '../../shared/soundTestWords';

const seconds = 3;

/** Three seconds of one’s own voice, heard as others hear it, and how far it stands over the noise. */
export function ThreeSeconds() {
  const dispatch = useAppDispatch();
  const { player, clock } = useServices();
  const { microphone, noise, soundTest } = useAppSelector((state) => state.settings);
  const [phase, setPhase] = useState<'idle' | 'records' | 'plays'>('idle');
  const [problem, setProblem] = useState<string | null>(null);
  const finish = useRef<(() => Promise<Take>) | null>(null);
  useEffect(
    () => () => {
      void finish.current?.();
      finish.current = null;
    },
    [],
  );
  const begin = async () => {
    setProblem(null);
    try {
      const { recordMicrophone } = await fetchMicrophone();
      finish.current = await recordMicrophone({ microphoneId: await idOf(microphone), noise });
      setPhase('records');
      setTimeout(() => void end(), seconds * 1000);
    } catch (error) {
      setProblem(explainMicrophone(error));
    }
  };
  const end = async () => {
    // Who has left the sheet meanwhile has let go of it.
    const take = await finish.current?.();
    if (!take) return;
    finish.current = null;
    setPhase('plays');
    const { speechOverNoise } = await fetchMicrophone();
    const overNoise = Math.round(speechOverNoise(take.samples, take.sampleRate));
    const name = microphone?.name || 'Microphone';
    dispatch(soundChosen({ soundTest: { at: clock.now(), name, overNoise } }));
    await player?.playTake(take);
    setPhase('idle');
  };
  return (
    <View style={styles.part}>
      <Plate
        word={
          phase === 'records'
            ? 'Speak now …'
            : phase === 'plays'
              ? 'That is how you sound …'
              : `Speak for ${seconds} seconds, and hear yourself`
        }
        disabled={phase !== 'idle'}
        onPress={() => void begin()}
      />
      {soundTest ? (
        <View role="status">
          <Txt as="small">{soundTestWords(soundTest)}</Txt>
        </View>
      ) : null}
      <Problem sentence={problem} />
    </View>
  );
}

const styles = StyleSheet.create({ part: { gap: space.xs } });
