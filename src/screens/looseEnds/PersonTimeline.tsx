import { useEffect, useMemo, useRef, useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';

import { cannotFax } from '@/core/inbox/fax';
import { takesTexts } from '@/core/numbers/numbering';
import { numbersInOrder } from '@/core/people/contacts';
import { formatDay, startOfLocalDay } from '@/core/shared/time';
import {
  actDone,
  favouritesChosen,
  selectFavourites,
  selectLastUsed,
  selectWrite,
  selectZone,
  useAppDispatch,
  useAppSelector,
  useNow,
} from '@/state/app';
import { removeContact } from '@/state/people';
import { markRead, selectPerson, selectTimeline, type Person, type TimelineItem } from '@/state/inbox';
import { EmptyState } from '@/ui/notice';
import { Initials } from '@/ui/person';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';

import { HistoryList } from '../everything/HistoryList';
import { FollowUpSheet } from '../followUps/FollowUpSheet';
import { MoreToggle } from '../shared/MoreToggle';
import { writeNumbers } from '../shared/useFound';
import { offerUndo } from '../shared/undoOffer';
import { useAskedLine, type AskedLine } from '../shared/useAskedLine';
import { useOwnLineInView } from '../shared/useOwnLineInView';
import { HelpMark } from '../shared/HelpMark';
import { useGo } from '../shared/useGo';
import { useLayout } from '../shared/useLayout';
import { usePlaceCall } from '../shared/usePlaceCall';
import { DetailsSheet } from '../directory/DetailsSheet';
import { Photo } from '../directory/Photo';
import { PresenceLine, WaitForThem } from '../directory/WaitForThem';
import { Composer } from './Composer';
import { FiguresSheet } from './FiguresSheet';
import { TimelineRow } from './TimelineRow';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    screen: { flex: 1, minHeight: 0, backgroundColor: colours.sheet },
    head: {
      flexDirection: 'row',
      alignItems: 'center',
      gap: space.m,
      paddingHorizontal: space.l,
      paddingVertical: space.s,
      backgroundColor: colours.paper,
    },
    name: { flex: 1, minWidth: 0 },
    waysRow: {
      flexGrow: 0,
      flexShrink: 0,
      borderBottomWidth: 1,
      borderColor: colours.ink,
      backgroundColor: colours.paper,
    },
    ways: { gap: space.s, alignItems: 'center', paddingHorizontal: space.l, paddingBottom: space.s },
    more: {
      gap: space.s,
      paddingHorizontal: space.l,
      paddingVertical: space.s,
      borderBottomWidth: 1,
      borderColor: colours.ink,
    },
    moreActs: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
    lit: { borderLeftWidth: 4, borderColor: colours.saffron, paddingLeft: space.s },
    log: { paddingHorizontal: space.l, paddingBottom: space.l },
    day: { paddingTop: space.l, paddingBottom: space.xs, borderBottomWidth: 1, borderColor: colours.ink },
  }),
);

const shownAtOnce = 30;
const minuteMs = 60_000;

/** Everything with one person on ruled paper, the newest at the foot, where one writes on. */
export function PersonTimeline({ personKey }: { personKey: string | undefined }) {
  // Where nobody is chosen, a wide screen shows every call.
  return personKey === undefined ? <HistoryList /> : <Timeline key={personKey} personKey={personKey} />;
}

function Timeline({ personKey }: { personKey: string }) {
  const styles = useStyles();
  const dispatch = useAppDispatch();
  const person = useAppSelector((state) => selectPerson(state, personKey));
  const items = useAppSelector((state) => selectTimeline(state, personKey));
  const isRead = useAppSelector((state) => state.inbox.isRead);
  const asked = useAskedLine((id) => items.some((item) => item.id === id));
  const fromAsked = items.length - items.findIndex(({ id }) => id === asked.id);
  const least = fromAsked <= items.length ? Math.max(shownAtOnce, fromAsked + 10) : shownAtOnce;
  const [more, setMore] = useState(0);
  const most = least + more;
  const newest = items.at(-1);
  const scroll = useRef<ScrollView>(null);
  useOwnLineInView(scroll, newest?.id, newest?.kind === 'message' && newest.message.direction === 'out');
  const unread = useMemo(() => items.flatMap(unreadOf), [items]);
  useEffect(() => {
    if (unread.length > 0) dispatch(markRead(unread));
  }, [dispatch, unread]);
  const shown = items.slice(-most);
  return (
    <View style={styles.screen}>
      <Head person={person} items={items} />
      <ScrollView
        ref={scroll}
        tabIndex={0}
        contentContainerStyle={styles.log}
        onContentSizeChange={() =>
          more === 0 && asked.id === null && scroll.current?.scrollToEnd({ animated: false })
        }
      >
        {items.length === 0 ? (
          <EmptyState
            title={isRead ? 'Nothing yet' : 'Reading'}
            sentence={
              isRead
                ? 'Calls, voicemails and texts with them will appear here.'
                : 'It is being read from this device.'
            }
          />
        ) : null}
        {items.length > most ? (
          <Plate word={`Earlier, ${items.length - most} more`} onPress={() => setMore(more + 100)} />
        ) : null}
        <Days items={shown} asked={asked} />
      </ScrollView>
      <Composer person={person} items={items} />
    </View>
  );
}

function unreadOf(item: TimelineItem): string[] {
  if (item.kind !== 'message') return [];
  const { direction, readAt, id } = item.message;
  return direction === 'in' && readAt === null ? [id] : [];
}

function Head({ person, items }: { person: Person; items: readonly TimelineItem[] }) {
  const { name, detail, contact, ways: numbers, isWithheld } = person;
  const lastUsed = useAppSelector(selectLastUsed);
  const write = useAppSelector(selectWrite);
  const ways = writeNumbers(numbersInOrder(numbers, lastUsed), write);
  const dispatch = useAppDispatch();
  const favourites = useAppSelector(selectFavourites);
  const isKnown = /^(person|contact):/.test(person.key);
  const toggleFavourite = () => {
    const others = favourites.filter((key) => key !== person.key);
    dispatch(favouritesChosen(others.length < favourites.length ? others : [...others, person.key]));
  };
  const [open, setOpen] = useState<'figures' | 'details' | 'followUp' | null>(null);
  const [showsMore, setShowsMore] = useState(false);
  const personId = person.key.startsWith('person:') ? person.key.slice('person:'.length) : null;
  const isStranger = person.key.startsWith('number:');
  const about = contact
    ? [...contact.mails, ...contact.places, contact.note].filter(Boolean).join(' · ')
    : '';
  const remove = () => {
    if (!contact) return;
    setOpen(null);
    const putBack = dispatch(removeContact(contact));
    go.directory();
    const said = `${contact.name} is out of the directory. Calls and texts with them stay.`;
    dispatch(actDone(said));
    offerUndo({
      said,
      what: `${contact.name} back`,
      undo: () => {
        putBack();
        dispatch(actDone(`${contact.name} is in the directory again.`));
      },
    });
  };
  const styles = useStyles();
  const go = useGo();
  const { isWide } = useLayout();
  const placeCall = usePlaceCall();
  // A mobile has no paper.
  const faxNumber = ways.find(({ number }) => cannotFax(number) === null && !takesTexts(number))?.number;
  return (
    <>
      <View style={styles.head}>
        {contact?.photo ? <Photo photo={contact.photo} size={56} /> : <Initials name={name} />}
        <View style={styles.name}>
          <Txt as="heading" level={1}>
            {name}
          </Txt>
          {detail === '' ? null : <Txt as="small">{detail}</Txt>}
          {ways.length < 2 ? null : (
            <Txt as="small" lines={2}>
              {ways
                .map(({ label, written }) => `${label}\u00a0${written.replaceAll(' ', '\u00a0')}`)
                .join(' · ')}
            </Txt>
          )}
          {personId === null ? null : <PresenceLine personId={personId} />}
        </View>
        <HelpMark />
        {isWide ? null : <Plate word="Back" onPress={go.back} />}
      </View>
      <ScrollView
        horizontal
        style={styles.waysRow}
        contentContainerStyle={styles.ways}
        role="group"
        aria-label="Ways to reach them"
      >
        {ways.map(({ label, written, dial }) => (
          <Plate
            key={dial}
            kind="main"
            word={ways.length === 1 ? `Call ${written}` : `Call ${label}`}
            label={ways.length === 1 ? `Call ${written}` : `Call ${label}, ${written}`}
            onPress={() => void placeCall(dial)}
          />
        ))}
        {isStranger ? (
          <Plate word="Add contact" onPress={() => go.newContact(ways[0]?.number ?? null)} />
        ) : null}
        {isWithheld ? (
          <Txt as="small">They withheld their number, so they can’t be called back.</Txt>
        ) : (
          <MoreToggle of={name} isOpen={showsMore} onToggle={() => setShowsMore(!showsMore)} />
        )}
      </ScrollView>
      {showsMore ? (
        <View style={styles.more}>
          {about === '' ? null : <Txt as="small">{about}</Txt>}
          <View style={styles.moreActs}>
            {personId === null ? null : <WaitForThem personId={personId} />}
            {faxNumber === undefined ? null : <Plate word="Fax" onPress={() => go.newFax(faxNumber)} />}
            {isKnown ? (
              <Plate word="Favourite" pressed={favourites.includes(person.key)} onPress={toggleFavourite} />
            ) : null}
            {contact ? <Plate word="Details" onPress={() => setOpen('details')} /> : null}
            <Plate word="Follow up" onPress={() => setOpen('followUp')} />
            <Plate word="Figures" onPress={() => setOpen('figures')} />
          </View>
        </View>
      ) : null}
      {open === 'figures' ? (
        <FiguresSheet person={person} items={items} onClose={() => setOpen(null)} />
      ) : null}
      {open === 'followUp' ? (
        <FollowUpSheet
          followUp={null}
          who={{ name, number: ways[0]?.number ?? null }}
          onClose={() => setOpen(null)}
        />
      ) : null}
      {open === 'details' && contact ? (
        <DetailsSheet contact={contact} onRemove={remove} onClose={() => setOpen(null)} />
      ) : null}
    </>
  );
}

function Days({ items, asked }: { items: readonly TimelineItem[]; asked: AskedLine }) {
  const styles = useStyles();
  const zone = useAppSelector(selectZone);
  const now = useNow(minuteMs);
  let day = NaN;
  return (
    <View role="list" aria-label="Everything with them">
      {items.map((item) => {
        const own = startOfLocalDay(item.at, zone);
        const isNewDay = own !== day;
        day = own;
        return (
          <View
            key={`${item.kind} ${item.id}`}
            role="listitem"
            style={item.id === asked.id && styles.lit}
            {...asked.marks(item.id)}
          >
            {isNewDay ? (
              <View style={styles.day}>
                <Txt as="heading" level={2}>
                  {formatDay(item.at, now, zone)}
                </Txt>
              </View>
            ) : null}
            <TimelineRow item={item} />
          </View>
        );
      })}
    </View>
  );
}
