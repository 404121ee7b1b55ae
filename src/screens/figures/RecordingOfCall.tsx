import { useEffect, useState } from 'react';
import { View } from 'react-native';

import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';

import { letGoOf, useSound } from '../shared/useSound';

interface RecordingOfCallProps {
  id: string;
  /** Who was recorded talking, and with whom: told apart for whoever listens. */
  whose: string;
  withWhom: string;
}

/** Plays one recording where the call stands. Its sound is fetched when it is asked for. */
export function RecordingOfCall(props: RecordingOfCallProps) {
  const [isAsked, setAsked] = useState(false);
  const { whose, withWhom } = props;
  return isAsked ? (
    <Playing {...props} />
  ) : (
    <Plate
      word={`Play the recording of ${whose}`}
      label={`Play the recording of ${whose}, with ${withWhom}`}
      onPress={() => setAsked(true)}
    />
  );
}

function Playing({ id, whose, withWhom }: RecordingOfCallProps) {
  const sound = useSound(id);
  const [isOn, setOn] = useState(true);
  const url = sound.state === 'there' ? sound.url : null;
  useEffect(() => {
    if (url === null || !isOn) return;
    const element = new Audio(url);
    element.onended = () => setOn(false);
    void element.play().catch(() => setOn(false));
    return () => letGoOf(element);
  }, [url, isOn]);
  if (sound.state === 'reading') return <Txt as="small">Its sound is being fetched.</Txt>;
  if (sound.state === 'missing')
    return (
      <View role="status">
        <Txt as="small">{`The sound of the recording of ${whose} is kept where they talked, and is not on this device.`}</Txt>
      </View>
    );
  return (
    <Plate
      word={isOn ? 'Stop the recording' : 'Play it again'}
      label={`${isOn ? 'Stop' : 'Play again'}: the recording of ${whose}, with ${withWhom}`}
      onPress={() => setOn(!isOn)}
    />
  );
}
