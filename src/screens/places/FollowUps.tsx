import { StyleSheet, View } from 'react-native';

import { formatDayAndClock } from '@/core/time';
import { finishFollowUp, selectZone, useAppDispatch, useAppSelector, useNow } from '@/state/app';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

import { usePlaceCall } from '../shared/usePlaceCall';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    list: { paddingHorizontal: space.l, paddingTop: space.m },
    item: {
      flexDirection: 'row',
      alignItems: 'center',
      gap: space.s,
      paddingVertical: space.s,
      borderBottomWidth: 1,
      borderColor: colours.rule,
    },
    words: { flex: 1, minWidth: 0 },
  }),
);

/** What the worker has promised or means to do, the next first. */
export function FollowUps() {
  const styles = useStyles();
  const { colours } = useTheme();
  const dispatch = useAppDispatch();
  const zone = useAppSelector(selectZone);
  const now = useNow(60_000);
  const placeCall = usePlaceCall();
  const open = useAppSelector((state) => state.work.items)
    .flatMap((item) => (item.kind === 'followUp' && item.doneAt === null ? [item] : []))
    .sort((a, b) => a.dueAt - b.dueAt);
  if (open.length === 0) return null;
  return (
    <View style={styles.list} role="region" aria-label="Follow-ups">
      <Txt as="heading" level={2}>
        To follow up
      </Txt>
      {open.map(({ id, name, number, text, dueAt }) => (
        <View key={id} style={styles.item}>
          <View style={styles.words}>
            <Txt as="strong" lines={1}>
              {name}
            </Txt>
            <Txt as="small" lines={2}>
              {text}
            </Txt>
            <Txt as="mono" colour={dueAt < now ? colours.rowan : colours.ink}>
              {dueAt < now ? 'due ' : ''}
              {formatDayAndClock(dueAt, zone)}
            </Txt>
          </View>
          {number === null ? null : (
            <Plate word="Call" label={`Call ${name}`} onPress={() => void placeCall(number)} />
          )}
          <Plate word="Done" label={`Done: ${name}`} onPress={() => dispatch(finishFollowUp(id, true))} />
        </View>
      ))}
    </View>
  );
}
