import { useState } from 'react';
import { View } from 'react-native';

import { formatSpan } from '@/core/shared/time';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';

import { useFigures } from '../figures/useFigures';

/** Telephone band in 16 bits: 8,000 samples a second of two bytes. */
const bytesPerMs = 16;

/** What recording every call would have taken of the last 30 days, reckoned when it is asked for. */
export function RecordingAtUsual() {
  const [isAsked, setAsked] = useState(false);
  return isAsked ? (
    <Reckoned />
  ) : (
    <Plate word="What recording all would take" onPress={() => setAsked(true)} />
  );
}

function Reckoned() {
  const { found, isFailed } = useFigures({ span: 'month', by: 'month', withinSeconds: 20 });
  const words = isFailed
    ? 'It can’t be reckoned now.'
    : found === null
      ? 'The calls of 30 days are being read.'
      : found.all.taken === 0
        ? 'Nobody from outside was talked to in the last 30 days.'
        : `Of the last 30 days, ${found.all.taken === 1 ? '1 call' : `${found.all.taken} calls`} from outside with ${formatSpan(found.all.talkMs)} of talk: about ${megabytes(found.all.talkMs)}, once for each of the office who is in a call.`;
  return (
    <View role="status">
      <Txt as="small">{words}</Txt>
    </View>
  );
}

const megabytes = (ms: number) => {
  const size = (ms * bytesPerMs) / 1_000_000;
  return size < 10 ? `${size.toFixed(1)} MB` : `${Math.round(size)} MB`;
};
