import { View } from 'react-native';

import { Field } from '@/ui/field';
import { Row } from '@/ui/list';
import { Initials } from '@/ui/person';
import { Txt } from '@/ui/text';

import { namesAreAway, useFound, type FoundPerson } from './useFound';

/** Somebody, and under which of their numbers. */
export interface Who {
  key: string;
  name: string;
  number: string;
  personId: string | null;
}

interface WhoFieldProps {
  label: string;
  value: string;
  onChange: (text: string) => void;
  onPick: (who: Who) => void;
  onSubmit?: () => void;
  error?: string | null | undefined;
  /** Who of those found can be meant, and at which numbers. */
  canBe?: (person: FoundPerson, number: string) => boolean;
  /** Nobody is offered while this holds: somebody was picked. */
  isSettled?: boolean;
  /** Each person once, whatever their numbers. */
  onePerPerson?: boolean;
  most?: number;
  autoFocus?: boolean;
}

const anybody = () => true;

/** One field for whoever is meant: a number as it is typed, or somebody found by any scrap, each number a row. */
export function WhoField(props: WhoFieldProps) {
  const { label, value, onChange, onPick, onSubmit, error, autoFocus } = props;
  const { canBe = anybody, isSettled = false, onePerPerson = false, most = 5 } = props;
  const { found, state } = useFound(isSettled ? '' : value, most);
  const rows = found.flatMap((person) => {
    const numbers = person.numbers.filter(({ number }) => canBe(person, number));
    return (onePerPerson ? numbers.slice(0, 1) : numbers).map((number) => ({ person, ...number }));
  });
  return (
    <View>
      <Field
        label={label}
        value={value}
        onChange={onChange}
        error={error}
        {...(onSubmit && { onSubmit })}
        {...(autoFocus && { autoFocus })}
      />
      {rows.length > 0 ? (
        <View role="list" aria-label="Who you may mean">
          {rows.map(({ person, number, label: kind, written }) => (
            <View key={`${person.key} ${number}`} role="listitem">
              <Row
                title={person.name}
                detail={onePerPerson ? person.detail || written : `${kind} ${written}`}
                before={<Initials name={person.name} />}
                onPress={() =>
                  onPick({ key: person.key, name: person.name, number, personId: person.personId })
                }
              />
            </View>
          ))}
        </View>
      ) : null}
      {state === 'away' ? <Txt as="small">{namesAreAway}</Txt> : null}
    </View>
  );
}
