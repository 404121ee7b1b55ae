import { Pressable, StyleSheet, View } from 'react-native';

import { movedFavourite, type DirectoryEntry } from '@/core/people/upkeep';
import { dialledAs } from '@/core/people/contacts';
import {
  favouritesChosen,
  selectFavourites,
  selectWrite,
  selectRingingAtColleagues,
  useAppDispatch,
  useAppSelector,
} from '@/state/app';
import { Gauge, Initials } from '@/ui/person';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

import { usePlaceCall } from '../shared/usePlaceCall';
import { usePresence } from '../shared/usePresence';
import { PickUp } from './PickUp';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    row: {
      flexDirection: 'row',
      alignItems: 'center',
      gap: space.s,
      minHeight: 72,
      paddingRight: space.s,
      backgroundColor: colours.sheet,
      borderBottomWidth: 1,
      borderColor: colours.rule,
    },
    press: {
      flex: 1,
      minWidth: 0,
      minHeight: 71,
      flexDirection: 'row',
      alignItems: 'center',
      gap: space.m,
      paddingLeft: space.l,
    },
    // What can be done with a favourite has a line of its own, so that the name is read whole.
    stacked: { flexWrap: 'wrap', justifyContent: 'flex-end', paddingBottom: space.s },
    wholeLine: { flexBasis: '100%' },
    words: { flex: 1, minWidth: 0 },
    state: { flexDirection: 'row', alignItems: 'center', gap: space.xs },
    grow: { flexShrink: 1 },
  }),
);

interface DirectoryRowViewProps {
  entry: DirectoryEntry;
  /** Whether Tab stops here. */
  isReachable: boolean;
  /** A favourite, which may stand elsewhere. */
  canMove: boolean;
  onOpen: (key: string) => void;
}

/** Somebody with what they are doing; pressed, everything with them; and a call at the number one uses. */
export function DirectoryRowView({ entry, isReachable, canMove, onOpen }: DirectoryRowViewProps) {
  const write = useAppSelector(selectWrite);
  const styles = useStyles();
  const { colours } = useTheme();
  const dispatch = useAppDispatch();
  const placeCall = usePlaceCall();
  const presenceOf = usePresence();
  const favourites = useAppSelector(selectFavourites);
  const { key, name, detail, personId, numbers } = entry;
  const presence = personId === null ? null : presenceOf(personId);
  const [first] = numbers;
  const more = numbers.length > 1 ? `, ${numbers.length} numbers` : '';
  const isTeam = key.startsWith('team:');
  const call = () => first && void placeCall(dialledAs(first));
  const ringing = useAppSelector(selectRingingAtColleagues).find(
    ({ colleagueId }) => colleagueId === personId,
  );
  const move = (by: 1 | -1) => dispatch(favouritesChosen(movedFavourite(favourites, key, by)));
  return (
    <View style={[styles.row, canMove && styles.stacked]}>
      <Pressable
        role="button"
        tabIndex={isReachable ? 0 : -1}
        onPress={() => (isTeam ? call() : onOpen(key))}
        style={({ pressed }) => [
          styles.press,
          canMove && styles.wholeLine,
          pressed && { backgroundColor: colours.paper },
        ]}
      >
        <Initials name={name} />
        <View style={styles.words}>
          <Txt as="strong" lines={1}>
            {name}
          </Txt>
          {presence ? (
            <View style={styles.state}>
              <Gauge state={presence.gauge} />
              <Txt as="small" lines={1} style={styles.grow}>
                {presence.full}
              </Txt>
            </View>
          ) : (
            <Txt as="small" lines={1}>
              {`${detail === '' ? (first ? write(first.number) : 'no number') : detail}${more}`}
            </Txt>
          )}
        </View>
      </Pressable>
      {canMove ? (
        <>
          <Plate word="Up" label={`Up: ${name}`} tabStop={isReachable} onPress={() => move(-1)} />
          <Plate word="Down" label={`Down: ${name}`} tabStop={isReachable} onPress={() => move(1)} />
        </>
      ) : null}
      {ringing ? <PickUp ringing={ringing} tabStop={isReachable} /> : null}
      {first && !ringing ? (
        <Plate
          word={isInside(first.number) ? first.number : 'Call'}
          label={isInside(first.number) ? `${first.number}, call ${name}` : `Call ${name}`}
          tabStop={isReachable}
          onPress={call}
        />
      ) : null}
    </View>
  );
}

const isInside = (number: string) => !number.startsWith('+');
