import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import type { FollowUp } from '@/core/inbox/followUps';
import { changeFollowUp, keepFollowUp, useAppDispatch } from '@/state/app';
import { Field } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { space } from '@/ui/tokens';

import { WhoField } from '../shared/WhoField';
import { DueField, SortingFields } from './FollowUpFields';
import { useFollowUpDraft } from './useFollowUpDraft';

interface FollowUpSheetProps {
  /** null: a new one. */
  followUp: FollowUp | null;
  /** Whom a new one is for, where that is known. */
  who?: Pick<FollowUp, 'name' | 'number'>;
  onClose: () => void;
}

/** What is to be done, for whom, by when, how urgent, and where it stands. */
export function FollowUpSheet({ followUp, who, onClose }: FollowUpSheetProps) {
  const dispatch = useAppDispatch();
  const [text, setText] = useState(followUp?.text ?? '');
  const [name, setName] = useState(followUp?.name ?? who?.name ?? '');
  const [number, setNumber] = useState(followUp?.number ?? who?.number ?? null);
  const [error, setError] = useState<string | null>(null);
  const draft = useFollowUpDraft(followUp);

  const keep = () => {
    const isEmpty = text.trim() === '';
    setError(isEmpty ? 'Write what is to be done.' : null);
    const read = draft.read();
    if (isEmpty || !read) return;
    const made = {
      callId: followUp?.callId ?? null,
      number,
      name: name.trim(),
      text: text.trim(),
      ...read,
    };
    if (followUp) dispatch(changeFollowUp({ ...followUp, ...made }));
    else dispatch(keepFollowUp(made));
    onClose();
  };
  return (
    <Sheet title={followUp ? 'Change the follow-up' : 'A new follow-up'} onClose={onClose}>
      <View style={styles.stack}>
        <Field label="What is to be done" value={text} onChange={setText} error={error} autoFocus />
        <WhoField
          label="Who it is for, if anybody"
          value={name}
          onChange={(value) => {
            setName(value);
            setNumber(null);
          }}
          isSettled={number !== null}
          onPick={(found) => {
            setName(found.name);
            setNumber(found.number);
          }}
        />
        <DueField draft={draft} label="By when" />
        <SortingFields draft={draft} onSubmit={keep} />
        <Plate kind="main" large word="Keep the follow-up" onPress={keep} />
      </View>
    </Sheet>
  );
}

const styles = StyleSheet.create({ stack: { gap: space.m } });
