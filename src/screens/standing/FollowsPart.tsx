import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import type { Followed, Situation } from '@/core/setup';
import { followedWords } from '@/core/plans/editing';
import { readHours } from '@/core/plans/hours';
import { selectMyId, selectOffice, setFollows, useAppDispatch, useAppSelector } from '@/state/app';
import { Choice, Field } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    part: { gap: space.m },
    row: {
      flexDirection: 'row',
      alignItems: 'center',
      gap: space.s,
      borderBottomWidth: 1,
      borderColor: colours.rule,
    },
    word: { flex: 1, minWidth: 0 },
  }),
);

const whens = ['working', 'notWorking', 'meetings', 'hours'] as const;
type When = (typeof whens)[number];
const whenWords: Record<When, string> = {
  working: 'in working hours',
  notWorking: 'outside them',
  meetings: 'in a meeting',
  hours: 'at hours I write',
};

/** Which situations come by themselves, by the hours or the calendar of my ring plan; the first that fits. */
export function FollowsPart({ situations }: { situations: readonly Situation[] }) {
  const styles = useStyles();
  const dispatch = useAppDispatch();
  const office = useAppSelector(selectOffice);
  const myId = useAppSelector(selectMyId);
  const [isAdding, setAdding] = useState(false);
  const follows = office.people.get(myId)?.follows ?? [];
  const nameOf = (id: string) => situations.find((each) => each.id === id)?.name ?? id;
  const put = (next: Followed[], said: string) => void dispatch(setFollows(next, said));
  return (
    <View style={styles.part} role="region" aria-label="By itself">
      <Txt as="strong">By itself</Txt>
      {follows.length === 0 ? (
        <Txt as="small">You choose it by hand; nothing changes it automatically.</Txt>
      ) : null}
      {follows.map((each, index) => {
        const words = `${nameOf(each.situationId)} ${followedWords(each)}`;
        return (
          <View key={words} style={styles.row}>
            <Txt style={styles.word}>{words}</Txt>
            <Plate
              word="Leave out"
              label={`Leave out: ${words}`}
              onPress={() =>
                put(
                  follows.filter((_, at) => at !== index),
                  `No longer automatic: ${words}.`,
                )
              }
            />
          </View>
        );
      })}
      {isAdding ? (
        <FollowForm
          situations={situations}
          onTake={(followed) => {
            setAdding(false);
            const words = `${nameOf(followed.situationId)} ${followedWords(followed)}`;
            put([...follows, followed], `From now on automatic: ${words}.`);
          }}
        />
      ) : (
        <Plate word="Make a situation automatic" onPress={() => setAdding(true)} />
      )}
    </View>
  );
}

interface FollowFormProps {
  situations: readonly Situation[];
  onTake: (followed: Followed) => void;
}

function FollowForm({ situations, onTake }: FollowFormProps) {
  const styles = useStyles();
  const [situationId, setSituationId] = useState(situations[0]?.id ?? '');
  const [when, setWhen] = useState<When>('working');
  const [text, setText] = useState('');
  const [error, setError] = useState<string | null>(null);
  const take = () => {
    if (when === 'meetings') onTake({ by: 'meetings', situationId });
    else if (when !== 'hours') onTake({ by: 'workingHours', situationId, working: when === 'working' });
    else {
      const found = readHours(text);
      if (!found.ok) setError(found.sentence);
      else if (found.value.length === 0) setError('Write hours such as Mon–Fri 8:00–17:00.');
      else
        onTake({
          by: 'hours',
          situationId,
          windows: found.value.map((window) => ({ ...window, days: [...window.days] })),
        });
    }
  };
  return (
    <View style={styles.part}>
      <Choice
        asStrip
        label="The situation"
        value={situationId}
        options={situations.map(({ id, name }) => ({ value: id, word: name }))}
        onChoose={setSituationId}
      />
      <Choice
        asStrip
        label="Comes"
        value={when}
        options={whens.map((value) => ({ value, word: whenWords[value] }))}
        onChoose={setWhen}
      />
      {when === 'hours' ? (
        <Field
          label="Hours, such as Mon–Fri 8:00–17:00"
          value={text}
          onChange={(typed) => {
            setText(typed);
            setError(null);
          }}
          onSubmit={take}
          error={error}
        />
      ) : null}
      <Plate kind="main" word="Keep this schedule" onPress={take} />
    </View>
  );
}
