import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import { soundFileName } from '@/core/calls/recordings';
import { formatDuration } from '@/core/shared/time';
import { readWebVtt, writeWebVtt } from '@/core/inbox/captions';
import type { Voicemail } from '@/core/inbox/voicemail';
import {
  identifyNumber,
  selectMyId,
  selectOffice,
  selectPeople,
  selectZone,
  useAppDispatch,
  useAppSelector,
  useServices,
} from '@/state/app';
import { soundOf } from '@/state/sounds';
import { deleteVoicemail, forwardVoicemail, keepTranscript, setHeard } from '@/state/inbox';
import { Field } from '@/ui/field';
import { Row } from '@/ui/list';
import { Problem } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

import { pickFile, saveBlob, saveFile } from '../shared/files';
import { MoreToggle } from '../shared/MoreToggle';
import { useIsMine } from './useIsMine';
import { VoicemailPlayer } from './VoicemailPlayer';

/** A voicemail in the log: played, passed on, saved, its words taken out or in, put away. */
export function VoicemailWords({ voicemail }: { voicemail: Voicemail }) {
  const dispatch = useAppDispatch();
  const { readSound } = useServices();
  const people = useAppSelector(selectPeople);
  const zone = useAppSelector(selectZone);
  const [isOpen, setOpen] = useState(false);
  const [isForwarding, setForwarding] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const { id, transcript, heardAt, forwarded } = voicemail;
  const isMine = useIsMine(voicemail);
  const owner = useAppSelector(selectOffice).people.get(voicemail.mailboxId)?.name ?? 'a colleague';
  const save = async () => {
    const sound = await readSound(id);
    const { name } = identifyNumber(voicemail.from.number, voicemail.from.name, people);
    if (sound) saveBlob(soundFileName(`Voicemail from ${name}`, voicemail.at, zone), soundOf(sound));
  };
  const takeWords = async () => {
    const file = await pickFile('.vtt,text/vtt');
    if (!file) return;
    const read = readWebVtt(file.text);
    setProblem(read.ok ? null : `${file.name}, line ${read.line}: ${read.sentence}`);
    if (read.ok) void dispatch(keepTranscript(id, read.transcript));
  };
  return (
    <View style={styles.stack}>
      <View style={styles.head}>
        <Txt as="small" style={styles.grow}>
          {`${isMine ? (heardAt === null ? 'New voicemail' : 'Voicemail') : `You left it in ${owner}’s mailbox`}, ${formatDuration(voicemail.durationMs)}`}
          {forwarded && forwarded.word !== '' ? `: “${forwarded.word}”` : ''}
        </Txt>
        <MoreToggle of="the voicemail" isOpen={isOpen} onToggle={() => setOpen(!isOpen)} />
      </View>
      <VoicemailPlayer voicemail={voicemail} isWhole={isOpen} />
      {isOpen ? (
        <View style={styles.acts}>
          {isMine ? <Plate word="Pass it on" onPress={() => setForwarding(true)} /> : null}
          <Plate word="Save WAV" onPress={() => void save()} />
          {transcript === null ? (
            <Plate word="Bring in a transcript" onPress={() => void takeWords()} />
          ) : (
            <Plate
              word="Save the transcript"
              onPress={() => saveFile(`voicemail-${id}.vtt`, 'text/vtt', writeWebVtt(transcript))}
            />
          )}
          {isMine ? (
            <>
              <Plate
                word={heardAt === null ? 'Mark heard' : 'Mark new'}
                onPress={() => void dispatch(setHeard(id, heardAt === null))}
              />
              <Plate
                word="Put away"
                label="Put away the voicemail"
                onPress={() => void dispatch(deleteVoicemail(id))}
              />
            </>
          ) : null}
        </View>
      ) : null}
      <Problem sentence={problem} isSmall />
      {isForwarding ? <ForwardSheet id={id} onClose={() => setForwarding(false)} /> : null}
    </View>
  );
}

function ForwardSheet({ id, onClose }: { id: string; onClose: () => void }) {
  const dispatch = useAppDispatch();
  const office = useAppSelector(selectOffice);
  const myId = useAppSelector(selectMyId);
  const [word, setWord] = useState('');
  return (
    <Sheet title="Pass the voicemail on" onClose={onClose}>
      <View style={styles.stack}>
        <Field label="A note with it" value={word} onChange={setWord} />
        {office.setup.people
          .filter((person) => person.id !== myId)
          .map((person) => (
            <Row
              key={person.id}
              title={`To ${person.name}`}
              detail={person.role}
              onPress={() => {
                void dispatch(forwardVoicemail(id, person.id, word.trim()));
                onClose();
              }}
            />
          ))}
      </View>
    </Sheet>
  );
}

const styles = StyleSheet.create({
  stack: { gap: space.s },
  head: { flexDirection: 'row', alignItems: 'center', gap: space.s },
  grow: { flex: 1 },
  acts: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
