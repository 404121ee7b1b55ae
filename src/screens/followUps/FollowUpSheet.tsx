import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import { priorities, readWords, type FollowUp } from '@/core/followUps';
import { readWhen } from '@/core/moments';
import { callBackTimes } from '@/core/replies';
import { formatDayAndClock } from '@/core/time';
import {
  changeFollowUp,
  keepFollowUp,
  selectZone,
  useAppDispatch,
  useAppSelector,
  useServices,
} from '@/state/app';
import { Choice, Field } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

import { ReadMoment } from '../shared/ReadMoment';
import { WhoField } from '../shared/WhoField';

const someTime = 'none';
const asItWas = 'kept';
const typedTime = 'typed';

interface FollowUpSheetProps {
  /** null: a new one. */
  followUp: FollowUp | null;
  lists: readonly string[];
  onClose: () => void;
}

/** What is to be done, for whom, by when, how urgent, and where it stands. */
export function FollowUpSheet({ followUp, lists, onClose }: FollowUpSheetProps) {
  const dispatch = useAppDispatch();
  const { clock } = useServices();
  const zone = useAppSelector(selectZone);
  const [now] = useState(() => clock.now());
  const [text, setText] = useState(followUp?.text ?? '');
  const [name, setName] = useState(followUp?.name ?? '');
  const [number, setNumber] = useState(followUp?.number ?? null);
  const hadTime = followUp !== null && followUp.dueAt !== null;
  const [when, setWhen] = useState<string>(hadTime ? asItWas : someTime);
  const [typed, setTyped] = useState('');
  const [priority, setPriority] = useState(followUp?.priority ?? 'usual');
  const [list, setList] = useState(followUp?.list ?? '');
  const [words, setWords] = useState((followUp?.words ?? []).join(', '));
  const [errors, setErrors] = useState<{ text?: string; when?: string }>({});
  const times = callBackTimes(now, zone);

  const keep = () => {
    const due = dueOf();
    const wrong = {
      ...(text.trim() === '' && { text: 'Write what is to be done.' }),
      ...(typeof due === 'string' && { when: due }),
    };
    setErrors(wrong);
    if (typeof due === 'string' || wrong.text) return;
    const made = {
      callId: followUp?.callId ?? null,
      number,
      name: name.trim(),
      text: text.trim(),
      dueAt: due,
      priority,
      list: list.trim(),
      words: readWords(words),
    };
    if (followUp) dispatch(changeFollowUp({ ...followUp, ...made }));
    else dispatch(keepFollowUp(made));
    onClose();
  };
  const dueOf = (): number | null | string => {
    if (when === someTime) return null;
    if (when === asItWas) return followUp?.dueAt ?? null;
    if (when !== typedTime) return times.find(({ word }) => word === when)?.at ?? null;
    const read = readWhen(typed, now, zone);
    if (!read.ok) return read.sentence;
    return read.at <= now ? 'That is in the past.' : read.at;
  };
  return (
    <Sheet title={followUp ? 'Change the follow-up' : 'A new follow-up'} onClose={onClose}>
      <View style={styles.stack}>
        <Field label="What is to be done" value={text} onChange={setText} error={errors.text} autoFocus />
        <WhoField
          label="Who it is for, if anybody"
          value={name}
          onChange={(value) => {
            setName(value);
            setNumber(null);
          }}
          isSettled={number !== null}
          onPick={(who) => {
            setName(who.name);
            setNumber(who.number);
          }}
        />
        <Choice
          asStrip
          label="By when"
          value={when}
          options={[
            ...(hadTime && followUp.dueAt !== null
              ? [{ value: asItWas, word: formatDayAndClock(followUp.dueAt, now, zone) }]
              : []),
            { value: someTime, word: 'some time' },
            ...times.map(({ word }) => ({ value: word, word })),
            { value: typedTime, word: 'another time' },
          ]}
          onChoose={setWhen}
        />
        {when === typedTime ? (
          <>
            <Field
              label="A time, such as 14:30 or Fri 8:00"
              value={typed}
              onChange={setTyped}
              error={errors.when}
            />
            <ReadMoment text={typed} />
          </>
        ) : null}
        <Choice
          asStrip
          label="Priority"
          value={priority}
          options={priorities.map((value) => ({ value, word: value }))}
          onChoose={setPriority}
        />
        <Field label="List" value={list} onChange={setList} />
        {lists.length === 0 ? null : <Txt as="small">{`In use: ${lists.join(', ')}`}</Txt>}
        <Field
          label="Words to filter by, separated by commas"
          value={words}
          onChange={setWords}
          onSubmit={keep}
        />
        <Plate kind="main" large word="Keep the follow-up" onPress={keep} />
      </View>
    </Sheet>
  );
}

const styles = StyleSheet.create({ stack: { gap: space.m } });
