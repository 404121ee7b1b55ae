import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import { answersFor, type AnsweredBy } from '@/core/setup';
import { selectMyId, selectOffice, setAnsweredBy, useAppDispatch, useAppSelector } from '@/state/app';
import { CordEdge } from '@/ui/cord';
import { Choice } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';

import { usePresence } from '../shared/usePresence';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    part: { gap: space.m },
    one: {
      borderWidth: 1,
      borderColor: colours.edge,
      backgroundColor: colours.sheet,
      padding: space.m,
      gap: space.s,
    },
    row: { flexDirection: 'row', gap: space.m, alignItems: 'stretch' },
    acts: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
    grow: { flex: 1, minWidth: 0 },
  }),
);

/** Who answers for me and may call out with my number, and for whom I do. */
export function AnsweringPart() {
  const styles = useStyles();
  const dispatch = useAppDispatch();
  const office = useAppSelector(selectOffice);
  const myId = useAppSelector(selectMyId);
  const [isChoosing, setChoosing] = useState(false);
  const answeredBy = office.people.get(myId)?.answeredBy ?? [];
  const others = office.setup.people.filter(
    ({ id }) => id !== myId && !answeredBy.some(({ personId }) => personId === id),
  );
  const nameOf = (id: string) => office.people.get(id)?.name ?? 'Somebody';
  const set = (next: readonly AnsweredBy[], said: string) => void dispatch(setAnsweredBy(next, said));
  return (
    <View style={styles.part} role="region" aria-label="Answering for each other">
      <Txt as="heading" level={2}>
        Answering for each other
      </Txt>
      <Txt as="small">
        {answeredBy.length === 0
          ? 'Nobody answers for you. Whoever does is rung where a rule rings your phones, also while you are not to be disturbed.'
          : 'They are rung where a rule rings your phones, also while you are not to be disturbed. What they take is in both histories.'}
      </Txt>
      {answeredBy.map((each) => (
        <View key={each.personId} style={styles.one} role="group" aria-label={nameOf(each.personId)}>
          <Txt as="strong">{nameOf(each.personId)}</Txt>
          <View style={styles.acts}>
            <Plate
              word="May call out with your numbers"
              pressed={each.showsMine}
              onPress={() =>
                set(
                  answeredBy.map((other) =>
                    other === each ? { ...each, showsMine: !each.showsMine } : other,
                  ),
                  each.showsMine
                    ? `${nameOf(each.personId)} calls out with their own numbers only.`
                    : `${nameOf(each.personId)} may call out with your numbers.`,
                )
              }
            />
            <Plate
              word="Take out"
              label={`Take out ${nameOf(each.personId)}`}
              onPress={() =>
                set(
                  answeredBy.filter((other) => other !== each),
                  `${nameOf(each.personId)} answers for you no more.`,
                )
              }
            />
          </View>
        </View>
      ))}
      {others.length > 0 ? (
        <Plate word="Let somebody answer for you" onPress={() => setChoosing(true)} />
      ) : null}
      <ForWhomPart />
      {isChoosing ? (
        <Sheet title="Who answers for you" onClose={() => setChoosing(false)}>
          <Choice
            label="Who answers for you"
            value=""
            options={others.map(({ id, name, role }) => ({ value: id, word: name, detail: role }))}
            onChoose={(personId) => {
              setChoosing(false);
              set(
                [...answeredBy, { personId, showsMine: false }],
                `${nameOf(personId)} answers for you from now on.`,
              );
            }}
          />
        </Sheet>
      ) : null}
    </View>
  );
}

/** Those I answer for: whether they can be reached themselves, and their cord. */
function ForWhomPart() {
  const styles = useStyles();
  const { setup } = useAppSelector(selectOffice);
  const myId = useAppSelector(selectMyId);
  const presenceOf = usePresence();
  const forWhom = answersFor(setup, myId);
  if (forWhom.length === 0) return null;
  return (
    <View style={styles.part} role="group" aria-label="You answer for">
      <Txt as="small">You answer for</Txt>
      {forWhom.map(({ id, name, extension, answeredBy = [] }) => {
        const line = setup.lines.find(({ ownerId }) => ownerId === id);
        const mayShow = answeredBy.some((each) => each.personId === myId && each.showsMine);
        const numbers = line ? line.name : `extension ${extension}`;
        return (
          <View key={id} style={[styles.one, styles.row]} role="group" aria-label={name}>
            <CordEdge cord={line?.cord ?? null} />
            <View style={styles.grow}>
              <Txt as="strong">{name}</Txt>
              <Txt as="small">{`${numbers} · ${presenceOf(id).full}`}</Txt>
              {mayShow && line ? (
                <Txt as="small">{`You may call out for them: choose ${line.name} where it says From.`}</Txt>
              ) : null}
            </View>
          </View>
        );
      })}
    </View>
  );
}
