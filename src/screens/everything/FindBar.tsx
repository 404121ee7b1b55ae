import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import { formatMoney } from '@/core/numbers/rates';
import { formatDuration } from '@/core/shared/time';
import { selectOffice, soughtChanged, useAppDispatch, useAppSelector } from '@/state/app';
import { selectFilteredSums, selectIsFiltered } from '@/state/inbox';
import { Field } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';

import { FilterSheet } from './FilterSheet';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    bar: {
      flexDirection: 'row',
      alignItems: 'flex-end',
      gap: space.s,
      paddingHorizontal: space.l,
      paddingVertical: space.s,
      backgroundColor: colours.paper,
      borderBottomWidth: 1,
      borderColor: colours.rule,
    },
    field: { flex: 1, minWidth: 0 },
    sums: { paddingHorizontal: space.l, paddingBottom: space.s, backgroundColor: colours.paper },
  }),
);

/** Looks for words in all that was said and written, and narrows the history down. */
export function FindBar() {
  const styles = useStyles();
  const dispatch = useAppDispatch();
  const words = useAppSelector((state) => state.inbox.sought.words);
  const isFiltered = useAppSelector(selectIsFiltered);
  const [isOpen, setOpen] = useState(false);
  return (
    <>
      <View style={styles.bar}>
        <View style={styles.field}>
          <Field
            label="Find words, names or numbers"
            hideLabel
            placeholder="Words, names, numbers"
            value={words}
            onChange={(typed) => dispatch(soughtChanged({ words: typed }))}
          />
        </View>
        <Plate
          word={isFiltered ? 'Filtered' : 'Filter'}
          label={isFiltered ? 'Filtered: change the filter' : 'Filter'}
          onPress={() => setOpen(true)}
        />
      </View>
      {isFiltered && words === '' ? <Sums /> : null}
      {isOpen ? <FilterSheet onClose={() => setOpen(false)} /> : null}
    </>
  );
}

function Sums() {
  const styles = useStyles();
  const sums = useAppSelector(selectFilteredSums);
  const office = useAppSelector(selectOffice);
  const who = useAppSelector((state) => state.inbox.sought.who);
  const parts = [
    ...(who === null ? [] : [who]),
    sums.count === 1 ? '1 call' : `${sums.count} calls`,
    `${sums.untaken + sums.notReached} not taken`,
    `${formatDuration(sums.talkMs)} talked`,
    ...(sums.costMicros > 0 ? [formatMoney(sums.costMicros, office.setup.rates.currency)] : []),
  ];
  return (
    <View style={styles.sums} role="status">
      <Txt as="small">{parts.join(' · ')}</Txt>
    </View>
  );
}
