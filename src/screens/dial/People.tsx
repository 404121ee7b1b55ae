import { Pressable, StyleSheet, View } from 'react-native';

import { priceOf, selectOffice, useAppSelector } from '@/state/app';
import { Gauge, Initials } from '@/ui/person';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';

import type { FoundPerson } from '../shared/useFound';
import { usePresence } from '../shared/usePresence';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    person: { borderBottomWidth: 1, borderColor: colours.rule, backgroundColor: colours.sheet },
    row: {
      minHeight: 64,
      flexDirection: 'row',
      alignItems: 'center',
      gap: space.m,
      paddingHorizontal: space.l,
      paddingVertical: space.s,
    },
    pressed: { backgroundColor: colours.paper },
    words: { flex: 1, minWidth: 0 },
    status: { alignItems: 'center' },
    others: {
      flexDirection: 'row',
      flexWrap: 'wrap',
      gap: space.s,
      paddingHorizontal: space.l,
      paddingBottom: space.s,
    },
  }),
);

interface PeopleProps {
  people: readonly FoundPerson[];
  onCall: (number: string) => void;
}

/** People with what they are doing, the number a tap calls and its price; their other numbers below. */
export function People({ people, onCall }: PeopleProps) {
  return (
    <View role="list">
      {people.map((person) => (
        <View key={`${person.key} ${person.numbers[0]?.number ?? ''}`} role="listitem">
          <Person person={person} onCall={onCall} />
        </View>
      ))}
    </View>
  );
}

function Person({ person, onCall }: { person: FoundPerson; onCall: (number: string) => void }) {
  const styles = useStyles();
  const presenceOf = usePresence();
  const office = useAppSelector(selectOffice);
  const { name, detail, personId, foundBy } = person;
  const [first, ...others] = person.numbers;
  const presence = personId === null ? null : presenceOf(personId);
  return (
    <View style={styles.person}>
      <Pressable
        role="button"
        disabled={!first}
        onPress={() => first && onCall(first.dial)}
        style={({ pressed }) => [styles.row, pressed && styles.pressed]}
      >
        <Initials name={name} />
        <View style={styles.words}>
          <Txt as="strong" lines={1}>
            {name}
          </Txt>
          <Txt as="small" lines={1}>
            {first ? numberLine(first, priceOf(first.number, office), personId === null) : 'no number'}
          </Txt>
          {(foundBy ?? detail) ? (
            <Txt as="small" lines={1}>
              {foundBy ?? detail}
            </Txt>
          ) : null}
        </View>
        {presence ? (
          <View style={styles.status}>
            <Gauge state={presence.gauge} />
            <Txt as="small">{presence.word}</Txt>
          </View>
        ) : null}
      </Pressable>
      {others.length > 0 ? (
        <View style={styles.others}>
          {others.map(({ label, written, dial }) => (
            <Plate
              key={dial}
              word={`${label} ${written}`}
              label={`${label} ${written}, call ${name}`}
              onPress={() => onCall(dial)}
            />
          ))}
        </View>
      ) : null}
    </View>
  );
}

/** "mobile 07700 900155 · 2.1 p/min"; inside the office the extension alone. */
function numberLine(
  { label, written }: FoundPerson['numbers'][number],
  price: string,
  isOutside: boolean,
): string {
  return isOutside ? `${label} ${written} · ${price}` : written;
}
