import { useEffect, useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';

import type { Recording } from '@/core/exchange';
import { formatDuration } from '@/core/time';
import { useSound } from '../shared/useSound';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    player: { gap: space.s, padding: space.m, borderWidth: 1, borderColor: colours.edge },
    acts: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: space.s },
    grow: { flex: 1 },
  }),
);

/** One recording of a call: its length, its pauses, played here or taken away as WAV. */
export function RecordingPlayer({ recording, startedAt }: { recording: Recording; startedAt: number }) {
  const styles = useStyles();
  const { colours } = useTheme();
  const sound = useSound(recording.id);
  const audio = useRef<HTMLAudioElement | null>(null);
  const [at, setAt] = useState<number | null>(null);
  useEffect(() => () => audio.current?.pause(), []);

  if (sound.state !== 'there') {
    return (
      <View style={styles.player}>
        <Txt as="strong">Recording</Txt>
        <Txt colour={colours.faint}>
          {sound.state === 'reading'
            ? 'Its sound is being fetched.'
            : 'Its sound is not there yet: it is put together once the page has a network.'}
        </Txt>
      </View>
    );
  }
  const play = () => {
    const element = new Audio(sound.url);
    audio.current = element;
    element.ontimeupdate = () => setAt(element.currentTime);
    element.onended = () => setAt(null);
    void element.play().catch(() => setAt(null));
    setAt(0);
  };
  const stop = () => {
    audio.current?.pause();
    setAt(null);
  };
  const pauses = recording.pieces.length - 1;
  const download = () => {
    const link = document.createElement('a');
    link.href = sound.url;
    link.download = `cendro-${new Date(startedAt).toISOString().slice(0, 16).replace(':', '')}.wav`;
    link.click();
  };
  return (
    <View style={styles.player} role="group" aria-label="Recording">
      <View style={styles.acts}>
        <View style={styles.grow}>
          <Txt as="strong">Recording</Txt>
          <Txt as="small">
            {pauses === 0
              ? 'in one piece'
              : `in ${pauses + 1} pieces, ${pauses === 1 ? 'the pause' : 'the pauses'} marked`}
          </Txt>
        </View>
        <Txt as="monoLarge">
          {at === null ? '' : `${formatDuration(at * 1000)} of `}
          {formatDuration(sound.durationMs)}
        </Txt>
      </View>
      <View style={styles.acts}>
        <Plate
          kind="main"
          word={at === null ? 'Play' : 'Stop'}
          label={at === null ? 'Play the recording' : 'Stop the recording'}
          onPress={at === null ? play : stop}
          style={styles.grow}
        />
        <Plate word="Download WAV" onPress={download} style={styles.grow} />
      </View>
    </View>
  );
}
