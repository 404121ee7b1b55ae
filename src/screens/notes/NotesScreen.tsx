import { useCallback, useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';

import { findWords } from '@/core/shared/textSearch';
import { whoOf } from '@/core/inbox/looseEnds';
import { formatDayAndClock } from '@/core/shared/time';
import {
  actDone,
  identifyNumber,
  keepOwnNote,
  putNoteBack,
  selectNotes,
  selectOffice,
  selectPeople,
  selectZone,
  takeNoteOut,
  useAppDispatch,
  useAppSelector,
  useNow,
  type NoteEntry,
} from '@/state/app';
import { Field } from '@/ui/field';
import { EmptyState } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

import { ListScreen } from '../shared/ListScreen';
import { offerUndo } from '../shared/undoOffer';
import { useGo } from '../shared/useGo';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    row: {
      gap: space.xs,
      padding: space.l,
      backgroundColor: colours.sheet,
      borderBottomWidth: 1,
      borderColor: colours.rule,
    },
    acts: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s, paddingTop: space.xs },
    grow: { flexGrow: 1 },
  }),
);

const mostFound = 200;

/** All that was noted, on calls and by itself, newest first and found by its words. */
export function NotesScreen() {
  const styles = useStyles();
  const go = useGo();
  const dispatch = useAppDispatch();
  const notes = useAppSelector(selectNotes);
  const office = useAppSelector(selectOffice);
  const people = useAppSelector(selectPeople);
  const [sought, setSought] = useState('');
  const [text, setText] = useState('');
  const nameOf = useCallback(
    ({ other }: NoteEntry) =>
      other === null
        ? ''
        : (office.people.get(other.personId ?? '')?.name ??
          identifyNumber(other.number, other.name, people).name),
    [office, people],
  );
  const shown = useMemo(
    () =>
      sought.trim() === ''
        ? notes
        : findWords(
            sought,
            notes.map((note) => ({ item: note, text: `${note.text} ${nameOf(note)}` })),
            mostFound,
          ),
    [notes, sought, nameOf],
  );
  const keep = () => {
    if (text.trim() === '') return;
    dispatch(keepOwnNote(text.trim()));
    setText('');
  };
  return (
    <ListScreen
      title="Notes"
      head={<Field label="Find in the notes" value={sought} onChange={setSought} />}
      entry={<Field label="A new note" value={text} onChange={setText} lines={2} />}
      foot={
        <>
          <Plate word="Loose ends" onPress={go.loose} />
          <Plate
            kind="main"
            word="Keep the note"
            disabled={text.trim() === ''}
            style={styles.grow}
            onPress={keep}
          />
        </>
      }
    >
      {shown.length === 0 ? (
        <EmptyState
          title={notes.length === 0 ? 'No notes yet' : 'No note says that'}
          sentence="Notes on a call stand here too, with whom the call was."
        />
      ) : null}
      <View role="list" aria-label="Notes">
        {shown.map((note) => (
          <NoteRow key={note.id} note={note} name={nameOf(note)} />
        ))}
      </View>
    </ListScreen>
  );
}

function NoteRow({ note, name }: { note: NoteEntry; name: string }) {
  const styles = useStyles();
  const { colours } = useTheme();
  const go = useGo();
  const dispatch = useAppDispatch();
  const office = useAppSelector(selectOffice);
  const people = useAppSelector(selectPeople);
  const zone = useAppSelector(selectZone);
  const now = useNow(60_000);
  const { id, at, text, other, callId } = note;
  const takeOut = () => {
    const said = 'The note is removed.';
    dispatch(takeNoteOut(id));
    dispatch(actDone(said));
    offerUndo({ said, what: 'the note back', undo: () => dispatch(putNoteBack(note)) });
  };
  return (
    <View role="listitem" style={styles.row}>
      <Txt as="mono" colour={colours.faint}>
        {formatDayAndClock(at, now, zone)}
      </Txt>
      <Txt>{text}</Txt>
      <View style={styles.acts}>
        {other === null || callId === null ? null : (
          <Plate
            word={`On the call with ${name}`}
            onPress={() => go.person(whoOf(other, callId, office, people).key)}
          />
        )}
        <Plate word="Remove" label={`Remove the note: ${text.slice(0, 40)}`} onPress={takeOut} />
      </View>
    </View>
  );
}
