import { useEffect, useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';

import type { CallRecord, Recording } from '@/core/calls/exchange';
import { soundFileName, type DeletedRecording } from '@/core/calls/recordings';
import { formatDay, formatDuration } from '@/core/shared/time';
import {
  identifyNumber,
  selectPeople,
  selectZone,
  useAppDispatch,
  useAppSelector,
  useNow,
} from '@/state/app';
import { deleteRecording, restoreRecording } from '@/state/inbox';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

import { Chapters } from '../shared/Chapters';
import { saveBlob } from '../shared/files';
import { offerUndo } from '../shared/undoOffer';
import { letGoOf, useSound } from '../shared/useSound';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    player: { gap: space.s, padding: space.m, borderWidth: 1, borderColor: colours.edge },
    acts: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: space.s },
    grow: { flexGrow: 1, flexShrink: 1, flexBasis: 'auto' },
  }),
);

interface RecordingProps {
  record: CallRecord;
  recording: Recording;
}

/** One recording of a call: its length, its pauses; played here, taken away as WAV, deleted and had back. */
export function RecordingPlayer({ record, recording }: RecordingProps) {
  const deleted = useAppSelector((state) => state.inbox.kept.deletedRecordings[recording.id]);
  return deleted ? <Deleted deleted={deleted} /> : <Kept record={record} recording={recording} />;
}

function Deleted({ deleted: { id, deletedAt, why, isGone } }: { deleted: DeletedRecording }) {
  const styles = useStyles();
  const { colours } = useTheme();
  const dispatch = useAppDispatch();
  const zone = useAppSelector(selectZone);
  const now = useNow(60_000);
  const day = formatDay(deletedAt, now, zone).toLowerCase();
  return (
    <View style={styles.player} role="group" aria-label="Recording">
      <Txt as="strong">Recording deleted</Txt>
      <Txt colour={colours.faint}>
        {why === 'byAge'
          ? `It was older than recordings are kept, and deleted ${dayWords(day)}.`
          : `Deleted ${dayWords(day)}. ${isGone ? 'Its sound is gone.' : 'You can have it back for a day.'}`}
      </Txt>
      {isGone ? null : <Plate word="Bring it back" onPress={() => dispatch(restoreRecording(id))} />}
    </View>
  );
}

const dayWords = (day: string) => (day === 'today' || day === 'yesterday' ? day : `on ${day}`);

function Kept({ record, recording }: RecordingProps) {
  const styles = useStyles();
  const { colours } = useTheme();
  const dispatch = useAppDispatch();
  const people = useAppSelector(selectPeople);
  const zone = useAppSelector(selectZone);
  const sound = useSound(recording.id);
  const audio = useRef<HTMLAudioElement | null>(null);
  const [at, setAt] = useState<number | null>(null);
  useEffect(() => () => letGoOf(audio.current), []);

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
  const play = (from = 0) => {
    letGoOf(audio.current);
    const element = new Audio(sound.url);
    audio.current = element;
    element.currentTime = from;
    element.ontimeupdate = () => setAt(element.currentTime);
    element.onended = () => setAt(null);
    void element.play().catch(() => setAt(null));
    setAt(from);
  };
  const stop = () => {
    audio.current?.pause();
    setAt(null);
  };
  const { name } = identifyNumber(record.other.number, record.other.name, people);
  const remove = () => {
    stop();
    const said = `The recording with ${name} is deleted. It can be had back for a day.`;
    dispatch(deleteRecording(recording.id, record.callId, said));
    offerUndo({
      said,
      what: 'the recording back',
      undo: () => dispatch(restoreRecording(recording.id)),
    });
  };
  const goTo = (seconds: number) => {
    if (audio.current && at !== null) audio.current.currentTime = seconds;
    else play(seconds);
  };
  const pauses = recording.pieces.length - 1;
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
          onPress={at === null ? () => play() : stop}
          style={styles.grow}
        />
        <Plate
          word="Save as WAV"
          label="Save as WAV: the recording"
          onPress={() => saveBlob(soundFileName(name, record.startedAt, zone), sound.file)}
          style={styles.grow}
        />
        <Plate word="Delete" label="Delete the recording" onPress={remove} style={styles.grow} />
      </View>
      <Chapters marks={sound.marks} at={at} onGo={goTo} />
    </View>
  );
}
