import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import { useAppDispatch } from '@/state/app';
import { leaveVoicemail } from '@/state/inbox';
import { Problem } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { space } from '@/ui/tokens';

import { RecordingSeconds, useRecording } from '../shared/useRecording';

interface VoiceSheetProps {
  personId: string;
  name: string;
  onClose: () => void;
}

/** Answers a colleague in one's own voice, into their mailbox, without ringing them. */
export function VoiceSheet({ personId, name, onClose }: VoiceSheetProps) {
  const dispatch = useAppDispatch();
  const recording = useRecording();
  const [isTooShort, setTooShort] = useState(false);
  const leave = async () => {
    const take = await recording.end();
    const isLeft = take ? await dispatch(leaveVoicemail(personId, take)) : false;
    if (isLeft) onClose();
    else setTooShort(true);
  };
  const problem = recording.problem ?? (isTooShort ? 'That was too short to be heard.' : null);
  return (
    <Sheet title={`Speak into ${name}’s mailbox`} onClose={onClose}>
      <View style={styles.stack}>
        {recording.isRecording ? (
          <>
            <RecordingSeconds words="Say what you have to say." />
            <Plate kind="main" large word="Stop, and leave it there" onPress={() => void leave()} />
          </>
        ) : (
          <Plate kind="main" large word="Speak" onPress={() => void recording.begin()} />
        )}
        <Problem sentence={problem} />
      </View>
    </Sheet>
  );
}

const styles = StyleSheet.create({ stack: { gap: space.m } });
