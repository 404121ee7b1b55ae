import { useState } from 'react';
import { View } from 'react-native';

import type { SoundMark } from '@/core/shared/soundFiles';
import { formatDuration } from '@/core/shared/time';
import { Row } from '@/ui/list';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';

/** So many stand there at first. */
const few = 6;

interface ChaptersProps {
  marks: readonly SoundMark[];
  /** Seconds at which it is played now; null: it is not. */
  at: number | null;
  onGo: (atSeconds: number) => void;
}

/** What is marked in a recording, such as who begins to speak: a tap plays it from there. */
export function Chapters({ marks, at, onGo }: ChaptersProps) {
  const [isWhole, setWhole] = useState(false);
  const now = at === null ? -1 : marks.findLastIndex(({ atSeconds }) => atSeconds <= at);
  if (marks.length === 0) return null;
  return (
    <View>
      <View role="list" aria-label="Places in the recording">
        {(isWhole ? marks : marks.slice(0, few)).map(({ atSeconds, text }, index) => (
          <View key={`${atSeconds} ${text}`} role="listitem">
            <Row
              title={text}
              before={<Txt as="mono">{formatDuration(atSeconds * 1000)}</Txt>}
              isOpen={index === now}
              onPress={() => onGo(atSeconds)}
            />
          </View>
        ))}
      </View>
      {marks.length > few && !isWhole ? (
        <Plate
          word={`All ${marks.length}`}
          label={`All ${marks.length} marks`}
          onPress={() => setWhole(true)}
        />
      ) : null}
    </View>
  );
}
