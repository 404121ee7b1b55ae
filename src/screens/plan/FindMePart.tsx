import { StyleSheet, View } from 'react-native';

import { targetName, type OfficeIndex, type RingPlan } from '@/core/setup';
import { editPlan, useAppDispatch } from '@/state/app';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';

import { outsideNumber } from '../shared/numbers';
import { NumberEntry } from './NumberEntry';

type Tries = NonNullable<RingPlan['findMe']>;

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    part: { gap: space.m },
    row: {
      flexDirection: 'row',
      alignItems: 'center',
      gap: space.s,
      borderTopWidth: 1,
      borderColor: colours.rule,
      paddingVertical: space.s,
    },
    word: { flex: 1, minWidth: 0 },
    acts: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  }),
);

const nameOf = (each: Tries[number]) => ('deviceId' in each ? each.deviceId : each.number);

/** Whom the mailbox tries, one after the other, when a caller asks it to find me. */
export function FindMePart({ plan, office }: { plan: RingPlan; office: OfficeIndex }) {
  const styles = useStyles();
  const dispatch = useAppDispatch();
  const tries = plan.findMe ?? [];
  const put = (change: (old: Tries) => Tries) =>
    dispatch(
      editPlan((old) => {
        const next = change(old.findMe ?? []);
        return { ...old, findMe: next.length > 0 ? next : undefined };
      }),
    );
  const firstName = office.people.get(plan.personId)?.name.split(' ')[0] ?? 'you';
  const offered = office
    .phonesOf(plan.personId)
    .filter(({ id }) => !tries.some((each) => nameOf(each) === id));
  return (
    <View style={styles.part} role="region" aria-label="Find me">
      <Txt as="heading" level={2}>
        Find me
      </Txt>
      <Txt>
        {tries.length === 0
          ? 'Not offered. Add a phone, and callers who reach your mailbox can press 1 to be put through to it.'
          : `A caller in your mailbox hears: “Press 1, say your name, and we look for ${firstName}.” Each phone rings 15 s, hears the name, and takes the call by 1 or declines by 2.`}
      </Txt>
      {tries.map((each, index) => {
        const target = {
          deviceId: 'deviceId' in each ? each.deviceId : null,
          number: 'number' in each ? each.number : null,
        };
        const name = targetName(target, office);
        return (
          <View key={nameOf(each)} style={styles.row}>
            <Txt style={styles.word}>{`${index + 1}. ${name}`}</Txt>
            <Plate
              word="Sooner"
              label={`Try ${name} sooner`}
              disabled={index === 0}
              onPress={() =>
                put((old) =>
                  old.map((other, at) =>
                    at === index - 1
                      ? (old[index] ?? other)
                      : at === index
                        ? (old[index - 1] ?? other)
                        : other,
                  ),
                )
              }
            />
            <Plate
              word="Leave out"
              label={`Leave out ${name}`}
              onPress={() => put((old) => old.filter((_, at) => at !== index))}
            />
          </View>
        );
      })}
      <View style={styles.acts}>
        {offered.map(({ id, name, kind }) => (
          <Plate
            key={id}
            word={`Try ${kind === 'app' ? 'this app' : `the ${name}`}`}
            onPress={() => put((old) => [...old, { deviceId: id }])}
          />
        ))}
      </View>
      <NumberEntry
        label="Or a number outside"
        word="Try that number"
        read={(text) => outsideNumber(text, office.plan)}
        onTake={(number) => put((old) => [...old, { number }])}
      />
    </View>
  );
}
