import { StyleSheet, View } from 'react-native';

import { useAppDispatch, useServices } from '@/state/app';
import { changeOutside, useSources } from '@/state/people';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

import { Section } from './Section';

/** The address books elsewhere: something changes in one, or it breaks off in the middle of telling. */
export function BooksPanel() {
  const dispatch = useAppDispatch();
  const sources = useSources();
  const { books } = useServices();
  return (
    <Section
      title="Address books"
      sentence="They change by themselves; the app hears of it when it updates them."
    >
      {sources.map(({ id, outside: { step, breaksOff } }) => {
        const book = books.get(id);
        if (!book) return null;
        const left = book.later.length - step;
        return (
          <View key={id} style={styles.book} role="group" aria-label={book.name}>
            <Txt as="strong">{book.name}</Txt>
            <View style={styles.plates}>
              <Plate
                word={left > 0 ? `Something changes, ${left} left` : 'Nothing more changes'}
                label={`${left > 0 ? `Something changes, ${left} left` : 'Nothing more changes'} in ${book.name}`}
                disabled={left === 0}
                onPress={() => dispatch(changeOutside(id, { step: step + 1 }))}
              />
              <Plate
                word="Breaks off"
                label={`Breaks off: ${book.name}`}
                pressed={breaksOff}
                onPress={() => dispatch(changeOutside(id, { breaksOff: !breaksOff }))}
              />
            </View>
          </View>
        );
      })}
    </Section>
  );
}

const styles = StyleSheet.create({
  book: { gap: space.xs },
  plates: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
