import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import { callBackTimes } from '@/core/replies';
import { formatDayAndClock } from '@/core/time';
import {
  keepFollowUp,
  keepNote,
  nameOfCall,
  selectZone,
  useAppDispatch,
  useAppSelector,
  useNow,
  type CallView,
} from '@/state/app';
import { Choice, Field } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

const noTime = 'none';

/** A note on the call, and a follow-up where it has a time. The call goes on behind it. */
export function NoteSheet({ view, onClose }: { view: CallView; onClose: () => void }) {
  const dispatch = useAppDispatch();
  const zone = useAppSelector(selectZone);
  const items = useAppSelector((state) => state.work.items).filter(({ callId }) => callId === view.id);
  const now = useNow(60_000);
  const [text, setText] = useState('');
  const [due, setDue] = useState<string>(noTime);
  const [error, setError] = useState<string | null>(null);
  const times = callBackTimes(now, zone);
  const keep = (isLast: boolean) => {
    const time = times.find(({ word }) => word === due);
    const [other] = view.others;
    if (text.trim() === '' && !time) {
      setError('Write what is to be kept, or choose when to follow up.');
      return;
    }
    const words = text.trim() || `Call ${nameOfCall(view)} back`;
    if (time)
      dispatch(
        keepFollowUp({
          callId: view.id,
          number: other?.number ?? null,
          name: nameOfCall(view),
          text: words,
          dueAt: time.at,
        }),
      );
    else dispatch(keepNote(view.id, words));
    if (isLast) return onClose();
    setText('');
    setDue(noTime);
    setError(null);
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
        <Choice
          asStrip
          label="Follow up"
          value={due}
          options={[
            { value: noTime, word: 'no, only a note' },
            ...times.map(({ word }) => ({ value: word, word })),
          ]}
          onChoose={setDue}
        />
        <Plate
          kind="main"
          large
          word={due === noTime ? 'Keep the note' : 'Keep the follow-up'}
          onPress={() => keep(true)}
        />
        <Plate word="Keep it, and write another" onPress={() => keep(false)} />
      </View>
    </Sheet>
  );
}

const styles = StyleSheet.create({ stack: { gap: space.m } });
