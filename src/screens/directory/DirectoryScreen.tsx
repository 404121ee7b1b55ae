import { useMemo, useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';

import {
  directoryOf,
  favouritesOf,
  underLetters,
  type DirectoryEntry,
  type DirectoryRow,
} from '@/core/people';
import { selectContacts, selectOffice, selectPeople, useAppSelector } from '@/state/app';
import { Choice, Field } from '@/ui/field';
import { EmptyState } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';
import { VirtualList } from '@/ui/virtualList';

import { useGo } from '../shared/useGo';
import { DirectoryRowView } from './DirectoryRowView';
import { TeamGlance } from './TeamGlance';

type Show = 'everybody' | 'colleagues' | 'contacts' | 'favourites';
const shows: { value: Show; word: string }[] = [
  { value: 'everybody', word: 'Everybody' },
  { value: 'favourites', word: 'Favourites' },
  { value: 'colleagues', word: 'Colleagues' },
  { value: 'contacts', word: 'Contacts' },
];
const mostFound = 50;

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    screen: { flex: 1, minHeight: 0 },
    head: {
      padding: space.l,
      gap: space.s,
      backgroundColor: colours.paper,
      borderBottomWidth: 1,
      borderColor: colours.ink,
    },
    top: { flexDirection: 'row', flexWrap: 'wrap', justifyContent: 'space-between', gap: space.s },
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
  const office = useAppSelector(selectOffice);
  const people = useAppSelector(selectPeople);
  const contacts = useAppSelector(selectContacts);
  const myId = useAppSelector((state) => state.office.me?.personId ?? null);
  const favourites = useAppSelector((state) => state.settings.favourites);
  const [typed, setTyped] = useState('');
  const [show, setShow] = useState<Show>('everybody');
  const entries = useMemo(() => directoryOf(office, contacts, myId), [office, contacts, myId]);
  const found = useMemo(() => {
    if (typed.trim() === '') return null;
    const keys = new Set(people.find(typed, mostFound).map(({ kind, id }) => `${kindKey[kind]}:${id}`));
    return entries.filter(({ key }) => keys.has(key));
  }, [entries, people, typed]);
  const rows: DirectoryRow[] =
    found !== null
      ? found.map(asRow)
      : show === 'favourites'
        ? favouritesOf(entries, favourites).map(asRow)
        : underLetters(entries.filter((entry) => isShown(entry, show)));
  return (
    <View style={styles.screen}>
      <View style={styles.head}>
        <View style={styles.top}>
          <Txt as="title" level={1}>
            Directory
          </Txt>
          <Plate word="Bring people in" onPress={go.importPeople} />
        </View>
        <Field
          label="Find by name, number or keypad letters"
          hideLabel
          placeholder="Name, number or keypad letters"
          value={typed}
          onChange={setTyped}
        />
        {found === null ? (
          <ScrollView horizontal>
            <Choice asPlates label="Show" value={show} options={shows} onChoose={setShow} />
          </ScrollView>
        ) : null}
      </View>
      {found === null && show === 'everybody' ? <TeamGlance /> : null}
      {rows.length === 0 ? (
        <EmptyState title={emptyTitle(found, show)} sentence={emptySentence(found, show, typed)} />
      ) : (
        <VirtualList
          label="Directory"
          items={rows}
          keyOf={(row) => (row.kind === 'letter' ? row.letter : row.entry.key)}
          isPressable={(row) => row.kind === 'entry'}
          heightOf={(row) => (row.kind === 'letter' ? size(23) + 21 : Math.max(72, size(22) + size(19) + 25))}
          render={(row, isReachable) =>
            row.kind === 'letter' ? (
              <View style={styles.letter}>
                <Txt as="heading" level={2}>
                  {row.letter}
                </Txt>
              </View>
            ) : (
              <DirectoryRowView
                entry={row.entry}
                isReachable={isReachable}
                canMove={show === 'favourites' && found === null}
              />
            )
          }
        />
      )}
    </View>
  );
}

const kindKey = { colleague: 'person', contact: 'contact', team: 'team' } as const;
const asRow = (entry: DirectoryEntry): DirectoryRow => ({ kind: 'entry', entry });

function isShown({ personId }: DirectoryEntry, show: Show): boolean {
  if (show === 'colleagues') return personId !== null;
  if (show === 'contacts') return personId === null;
  return true;
}

const emptyTitle = (found: unknown, show: Show) =>
  found !== null ? 'Nobody found' : show === 'favourites' ? 'No favourites yet' : 'Nobody here yet';

function emptySentence(found: unknown, show: Show, typed: string): string {
  if (found !== null)
    return `Nobody’s name, firm or number begins with “${typed.trim()}”. Dial takes any number.`;
  return show === 'favourites'
    ? 'Make somebody a favourite on their page, and they stand here in your own order.'
    : 'Colleagues and contacts will stand here.';
}
