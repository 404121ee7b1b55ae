import { useEffect, useMemo, useRef, useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';

import { decodeWav, peaksOf, silencesOf, type Stretch } from '@/core/shared/soundFiles';
import { formatDuration } from '@/core/shared/time';
import { wordAt, type Transcript, type Voicemail } from '@/core/inbox/voicemail';
import { useAppDispatch } from '@/state/app';
import { setHeard } from '@/state/inbox';
import { Choice } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';
import { Waveform } from '@/ui/waveform';

import { useSound, type Sound } from '../shared/useSound';
import { useIsMine } from './useIsMine';
import { usePlayback } from './usePlayback';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    player: { gap: space.s, paddingVertical: space.s },
    acts: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: space.s },
    grow: { flex: 1 },
    words: { flexDirection: 'row', flexWrap: 'wrap', columnGap: 5, rowGap: 2 },
    word: { borderRadius: 2, paddingHorizontal: 1 },
    lit: { backgroundColor: colours.saffron },
  }),
);

const bars = 72;
const speeds = ['0.8', '1', '1.25', '1.5', '2'] as const;

interface VoicemailPlayerProps {
  voicemail: Voicemail;
  /** Begins by itself: the worker has asked for it already. */
  playsAtOnce?: boolean;
  /** With its speeds, and whether silences are skipped. */
  isWhole?: boolean;
}

/** A voicemail as a waveform to seek on, at the speed one likes, with its words lit as they are spoken and tapped to jump. */
export function VoicemailPlayer({ voicemail, playsAtOnce = false, isWhole = true }: VoicemailPlayerProps) {
  const sound = useSound(voicemail.id);
  if (sound.state !== 'there')
    return (
      <Txt as="small">
        {sound.state === 'reading' ? 'Its sound is being fetched.' : 'Its sound is not on this device.'}
      </Txt>
    );
  return <Player {...{ voicemail, sound, playsAtOnce, isWhole }} />;
}

interface PlayerProps {
  voicemail: Voicemail;
  sound: Extract<Sound, { state: 'there' }>;
  playsAtOnce: boolean;
  isWhole: boolean;
}

function Player({ voicemail, sound, playsAtOnce, isWhole }: PlayerProps) {
  const styles = useStyles();
  const dispatch = useAppDispatch();
  const { id, transcript, from } = voicemail;
  const isMine = useIsMine(voicemail);
  const drawn = useDrawn(sound.file);
  const [speed, setSpeed] = useState<(typeof speeds)[number]>('1');
  const [skips, setSkips] = useState(false);
  const playback = usePlayback({
    url: sound.url,
    title: `Voicemail from ${from.name ?? from.number ?? 'a withheld number'}`,
    speed: Number(speed),
    silences: skips ? drawn.silences : none,
    onBegin: () => void (isMine && dispatch(setHeard(id, true))),
  });
  const begun = useRef(false);
  useEffect(() => {
    if (!playsAtOnce || begun.current) return;
    begun.current = true;
    playback.play();
  }, [playsAtOnce, playback]);
  const seconds = sound.durationMs / 1000;
  return (
    <View style={styles.player} role="group" aria-label="Voicemail">
      <Waveform
        label="Place in the voicemail"
        peaks={drawn.peaks}
        seconds={seconds}
        at={playback.at}
        valueText={`${formatDuration(playback.at * 1000)} of ${formatDuration(sound.durationMs)}`}
        onSeek={playback.seek}
      />
      <View style={styles.acts}>
        <Plate
          kind="main"
          word={playback.isPlaying ? 'Pause' : 'Play'}
          label={playback.isPlaying ? 'Pause the voicemail' : 'Play the voicemail'}
          onPress={playback.isPlaying ? playback.pause : playback.play}
        />
        <Plate again word="Back 5 s" onPress={() => playback.seek(Math.max(0, playback.at - 5))} />
        <Txt as="mono" style={styles.grow}>
          {`${formatDuration(playback.at * 1000)} of ${formatDuration(sound.durationMs)}`}
        </Txt>
      </View>
      {transcript === null ? (
        <Txt as="small">It has no transcript.</Txt>
      ) : (
        <Words transcript={transcript} at={playback.at} onJump={playback.jump} />
      )}
      {isWhole ? (
        <Choice
          asStrip
          label="Speed"
          value={speed}
          options={speeds.map((value) => ({ value, word: `${value} ×` }))}
          onChoose={setSpeed}
        />
      ) : null}
      {isWhole && drawn.silences.length > 0 ? (
        <Plate word="Skip silences" pressed={skips} onPress={() => setSkips(!skips)} />
      ) : null}
    </View>
  );
}

const none: readonly Stretch[] = [];

/** The waveform and the silences of a sound, once it is decoded. */
function useDrawn(file: Blob): { peaks: Float32Array; silences: readonly Stretch[] } {
  const [drawn, setDrawn] = useState<{ peaks: Float32Array; silences: readonly Stretch[] } | null>(null);
  useEffect(() => {
    let isGone = false;
    void file.arrayBuffer().then((buffer) => {
      const decoded = decodeWav(new Uint8Array(buffer));
      if (isGone || !decoded.ok) return;
      const { samples, sampleRate } = decoded;
      setDrawn({ peaks: peaksOf(samples, bars), silences: silencesOf(samples, sampleRate) });
    });
    return () => {
      isGone = true;
    };
  }, [file]);
  return useMemo(() => drawn ?? { peaks: new Float32Array(bars), silences: none }, [drawn]);
}

interface WordsProps {
  transcript: Transcript;
  at: number;
  onJump: (seconds: number) => void;
}

function Words({ transcript, at, onJump }: WordsProps) {
  const styles = useStyles();
  const { colours } = useTheme();
  const lit = at > 0 ? wordAt(transcript, at) : -1;
  return (
    <View style={styles.words} role="group" aria-label="Words">
      {transcript.map(({ text, from }, index) => (
        <Pressable
          key={`${index} ${text}`}
          role="button"
          aria-current={index === lit ? true : undefined}
          tabIndex={-1}
          onPress={() => onJump(from)}
          style={[styles.word, index === lit && styles.lit]}
        >
          <Txt colour={index === lit ? colours.night : colours.ink}>{text}</Txt>
        </Pressable>
      ))}
    </View>
  );
}
