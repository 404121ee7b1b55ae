import { useMemo, useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';

import {
  favouritesOf,
  underGroups,
  underLetters,
  type DirectoryEntry,
  type DirectoryRow,
} from '@/core/people/upkeep';
import { selectFavourites, useAppSelector } from '@/state/app';
import { selectDirectory } from '@/state/people';
import { Choice, Field } from '@/ui/field';
import { EmptyState } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';
import { VirtualList } from '@/ui/virtualList';

import { PersonTimeline } from '../looseEnds/PersonTimeline';
import { Columns } from '../shared/Columns';
import { useFound, type Finding, type FoundPerson } from '../shared/useFound';
import { useGo } from '../shared/useGo';
import { useLayout } from '../shared/useLayout';
import { AddSheet } from './AddSheet';
import { DirectoryRowView } from './DirectoryRowView';
import { LetterScale } from './LetterScale';
import { TeamGlance } from './TeamGlance';
import { ScreenTitle } from '../shared/ScreenTitle';

type Show = 'everybody' | 'favourites' | 'colleagues' | 'contacts' | 'groups';
const shows: { value: Show; word: string }[] = [
  { value: 'everybody', word: 'Everybody' },
  { value: 'favourites', word: 'Favourites' },
  { value: 'colleagues', word: 'Colleagues' },
  { value: 'contacts', word: 'Contacts' },
  { value: 'groups', word: 'Groups' },
];
const mostFound = 50;
/** From so many on, one goes by letters. */
const manyRows = 30;

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    screen: { flex: 1, minHeight: 0 },
    head: {
      paddingHorizontal: space.l,
      paddingVertical: space.m,
      gap: space.s,
      backgroundColor: colours.paper,
      borderBottomWidth: 1,
      borderColor: colours.ink,
    },
    top: {
      flexDirection: 'row',
      flexWrap: 'wrap',
      alignItems: 'center',
      justifyContent: 'space-between',
      gap: space.s,
    },
    letter: {
      paddingHorizontal: space.l,
      paddingTop: space.m,
      paddingBottom: space.xs,
      borderBottomWidth: 1,
      borderColor: colours.ink,
    },
  }),
);

/** Everybody who can be reached: colleagues with what they are doing, and contacts, in one list. */
export function DirectoryScreen() {
  const styles = useStyles();
  const { size } = useTheme();
  const go = useGo();
  const { isWide } = useLayout();
  const entries = useAppSelector(selectDirectory);
  const favourites = useAppSelector(selectFavourites);
  const isRead = useAppSelector((state) => state.inbox.isRead);
  const [typed, setTyped] = useState('');
  const [show, setShow] = useState<Show>('everybody');
  const [isAdding, setAdding] = useState(false);
  const [chosen, setChosen] = useState<string | null>(null);
  const open = (key: string) => (isWide ? setChosen(key) : go.person(key));
  const [letter, setLetter] = useState<{ key: string } | null>(null);
  const { found, state } = useFound(typed, mostFound);
  const isSought = state !== 'idle';
  const listed = useMemo(() => rowsOf(entries, show, favourites), [entries, show, favourites]);
  const people = isSought ? found.map(asRow) : listed;
  // On a wide screen the team stands in a column of its own.
  const rows: Row[] =
    !isWide && !isSought && show === 'everybody' ? [{ kind: 'teams', id: 'teams' }, ...people] : people;
  const list = (
    <View style={styles.screen}>
      <View style={styles.head}>
        <View style={styles.top}>
          <ScreenTitle>Directory</ScreenTitle>
          <Plate word="Add or bring in" onPress={() => setAdding(true)} />
        </View>
        <Field
          label="Find by name, number, keypad letters, or what was said"
          hideLabel
          placeholder="Name, number, keypad letters"
          value={typed}
          onChange={setTyped}
        />
        {isSought ? null : (
          <ScrollView horizontal>
            <Choice asStrip label="Show" value={show} options={shows} onChoose={setShow} />
          </ScrollView>
        )}
      </View>
      {!isSought && people.length > manyRows && show !== 'favourites' ? (
        <LetterScale rows={people} onGo={(key) => setLetter({ key })} />
      ) : null}
      {people.length === 0 ? (
        <EmptyState {...emptyWords(state, show, typed, isRead)} />
      ) : (
        <VirtualList
          label="Directory"
          items={rows}
          keyOf={(row) => row.id}
          isPressable={(row) => row.kind === 'entry'}
          showFirst={letter}
          heightOf={(row) => heightOf[row.kind](size)}
          render={(row, isReachable) =>
            row.kind === 'teams' ? (
              <TeamGlance onOpen={open} />
            ) : row.kind === 'head' ? (
              <View style={styles.letter}>
                <Txt as="heading" level={2}>
                  {row.word}
                </Txt>
              </View>
            ) : (
              <DirectoryRowView
                entry={row.entry}
                isReachable={isReachable}
                canMove={show === 'favourites' && !isSought}
                onOpen={open}
              />
            )
          }
        />
      )}
      {isAdding ? <AddSheet onClose={() => setAdding(false)} /> : null}
    </View>
  );
  const detail =
    chosen === null ? (
      <EmptyState
        title="Nobody chosen"
        sentence="Whoever you choose stands here, with everything between you."
      />
    ) : (
      <PersonTimeline personKey={chosen} />
    );
  return <Columns list={list} detail={detail} narrow="list" />;
}

type Row = DirectoryRow | { kind: 'teams'; id: 'teams' };

/** Estimates, in pixels. */
const heightOf: Record<Row['kind'], (size: (points: number) => number) => number> = {
  teams: (size) => 2 * (size(19) + size(41) + 40),
  head: (size) => size(23) + 21,
  entry: (size) => Math.max(72, size(22) + size(19) + 25),
};

function rowsOf(
  entries: readonly DirectoryEntry[],
  show: Show,
  favourites: readonly string[],
): DirectoryRow[] {
  switch (show) {
    case 'favourites':
      return favouritesOf(entries, favourites).map((entry) => ({ kind: 'entry', entry, id: entry.key }));
    case 'groups':
      return underGroups(entries);
    case 'colleagues':
      return underLetters(entries.filter(({ personId }) => personId !== null));
    case 'contacts':
      return underLetters(entries.filter(({ personId }) => personId === null));
    case 'everybody':
      return underLetters(entries);
  }
}

/** Somebody found, with by what they were where the name does not tell. */
const asRow = ({ key, name, detail, foundBy, personId, numbers }: FoundPerson): DirectoryRow => ({
  kind: 'entry',
  id: key,
  entry: { key, name, detail: foundBy ?? detail, personId, numbers, groups: [], letter: '' },
});

function emptyWords(
  state: Finding['state'],
  show: Show,
  typed: string,
  isRead: boolean,
): { title: string; sentence: string } {
  switch (state) {
    case 'finding':
      return { title: 'Looking', sentence: 'Everybody is being searched.' };
    case 'away':
      return {
        title: 'Not there yet',
        sentence: 'The part of the app that finds people has not been fetched.',
      };
    case 'found':
      return {
        title: 'Nobody found',
        sentence: `“${typed.trim()}” is in nobody’s name, firm, number, note or message. Dial takes any number.`,
      };
    case 'idle':
      if (!isRead) return { title: 'Reading', sentence: 'It is being read from this device.' };
      if (show === 'favourites')
        return {
          title: 'No favourites yet',
          sentence: 'Make somebody a favourite on their page, and they stand here in your own order.',
        };
      return show === 'groups'
        ? { title: 'No groups yet', sentence: 'Teams, and the groups you put contacts in, will appear here.' }
        : { title: 'Nobody here yet', sentence: 'Colleagues and contacts will appear here.' };
  }
}
