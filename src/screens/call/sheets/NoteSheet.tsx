import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import { formatDayAndClock } from '@/core/shared/time';
import {
  keepFollowUp,
  keepNote,
  nameOfCall,
  selectZone,
  selectWork,
  useAppDispatch,
  useAppSelector,
  useNow,
  type CallView,
} from '@/state/app';
import { Field } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

import { DueField, SortingFields } from '../../followUps/FollowUpFields';
import { noFollowUp, useFollowUpDraft } from '../../followUps/useFollowUpDraft';
import { MoreToggle } from '../../shared/MoreToggle';
import { useTypedAhead } from '../typedAhead';

/** A note on the call, or a follow-up where it is to be done some time. The call goes on behind it. */
export function NoteSheet({ view, onClose }: { view: CallView; onClose: () => void }) {
  const dispatch = useAppDispatch();
  const zone = useAppSelector(selectZone);
  const items = useAppSelector(selectWork).filter(({ callId }) => callId === view.id);
  const now = useNow(60_000);
  const [text, setText] = useState(useTypedAhead());
  const [error, setError] = useState<string | null>(null);
  const [showsSorting, setShowsSorting] = useState(false);
  const draft = useFollowUpDraft(null, true);
  const isNote = draft.when === noFollowUp;
  const keep = (isLast: boolean) => {
    const [other] = view.others;
    const isNothing = text.trim() === '' && isNote;
    setError(isNothing ? 'Write what is to be kept, or choose when to follow up.' : null);
    const read = draft.read();
    if (isNothing || !read) return;
    const name = nameOfCall(view);
    const words = text.trim() || `Call ${name} back`;
    if (isNote) dispatch(keepNote(view.id, words));
    else
      dispatch(keepFollowUp({ callId: view.id, number: other?.number ?? null, name, text: words, ...read }));
    if (isLast) return onClose();
    setText('');
    draft.empty();
  };
  return (
    <Sheet title={`Note on the call with ${nameOfCall(view)}`} onClose={onClose}>
      <View style={styles.stack}>
        {items.map((item) => (
          <Txt key={item.id} as="small">
            {item.text}
            {item.kind === 'followUp' && item.dueAt !== null
              ? ` · ${formatDayAndClock(item.dueAt, now, zone)}`
              : ''}
          </Txt>
        ))}
        <Field
          label="Note"
          value={text}
          onChange={setText}
          onSubmit={() => keep(true)}
          error={error}
          autoFocus
        />
        <DueField draft={draft} label="Follow up" />
        {isNote ? null : (
          <MoreToggle
            of="the follow-up: priority, list and words"
            isOpen={showsSorting}
            onToggle={() => setShowsSorting(!showsSorting)}
          />
        )}
        {!isNote && showsSorting ? <SortingFields draft={draft} onSubmit={() => keep(true)} /> : null}
        <Plate
          kind="main"
          large
          word={isNote ? 'Keep the note' : 'Keep the follow-up'}
          onPress={() => keep(true)}
        />
        <Plate word="Keep it, and write another" onPress={() => keep(false)} />
      </View>
    </Sheet>
  );
}

const styles = StyleSheet.create({ stack: { gap: space.m } });
