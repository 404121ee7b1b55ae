import { useEffect, useMemo, useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';

import { pairOf, type Alike, type AlikeReason } from '@/core/people/alike';
import type { JoinedContact } from '@/core/people/contacts';
import { selectContacts, selectWrite, type Write, useAppDispatch, useAppSelector } from '@/state/app';
import { judge, takeBackJudgement } from '@/state/people';
import { EmptyState } from '@/ui/notice';
import { Initials } from '@/ui/person';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';
import { findAlikeBeside } from '@/workers/findAlikeBeside';

import { writtenNumber } from '../shared/useFound';
import { useGo } from '../shared/useGo';
import { ScreenTitle } from '../shared/ScreenTitle';

const mostShown = 40;

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    screen: { flex: 1 },
    body: { padding: space.l, gap: space.l, maxWidth: 760 },
    pair: {
      borderWidth: 1,
      borderColor: colours.edge,
      backgroundColor: colours.sheet,
      padding: space.m,
      gap: space.m,
    },
    two: { flexDirection: 'row', gap: space.m },
    one: { flex: 1, minWidth: 0, gap: space.xs },
    differs: {
      alignSelf: 'flex-start',
      textDecorationLine: 'underline',
      textDecorationColor: colours.saffron,
      textDecorationStyle: 'solid',
    },
    plates: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  }),
);

/** Who may be there twice: why it seems so, and in what they differ; made one, or kept two. */
export function AlikeScreen() {
  const styles = useStyles();
  const go = useGo();
  const dispatch = useAppDispatch();
  const contacts = useAppSelector(selectContacts);
  const joins = useAppSelector((state) => state.inbox.kept.joins);
  const [last, setLast] = useState<{ joinId: string; words: string } | null>(null);
  const alike = useAlike(contacts, joins);
  const byId = useMemo(() => new Map(contacts.map((contact) => [contact.id, contact])), [contacts]);
  const decide = ([a, b]: [JoinedContact, JoinedContact], isSame: boolean) => {
    // The one that more is known of keeps its place and its name.
    const [first, second] = weight(b) > weight(a) ? [b, a] : [a, b];
    const joinId = dispatch(judge([first.id, second.id], isSame));
    setLast({
      joinId,
      words: isSame
        ? `${first.name} and ${second.name} are one contact now.`
        : `${first.name} and ${second.name} stay two contacts.`,
    });
  };
  const pairs = (alike ?? []).flatMap((each): { each: Alike; two: [JoinedContact, JoinedContact] }[] => {
    const [a, b] = each.ids.map((id) => byId.get(id));
    return a && b ? [{ each, two: [a, b] }] : [];
  });
  return (
    <ScrollView style={styles.screen} contentContainerStyle={styles.body} tabIndex={0}>
      <View>
        <ScreenTitle>Perhaps the same</ScreenTitle>
        <Txt as="small">Nothing of either is lost: one contact can be split into two again.</Txt>
      </View>
      {last ? (
        <View style={styles.plates} role="status">
          <Txt as="strong">{last.words}</Txt>
          <Plate
            word="Undo"
            onPress={() => {
              dispatch(takeBackJudgement(last.joinId));
              setLast(null);
            }}
          />
        </View>
      ) : null}
      {alike === null ? <EmptyState title="Looking" sentence="Everybody is being compared." /> : null}
      {alike !== null && pairs.length === 0 ? (
        <EmptyState
          title="Nobody is listed twice"
          sentence="No two share a number, a mail address or a name at one firm."
        />
      ) : null}
      <View role="list" aria-label="Pairs" style={{ gap: space.l }}>
        {pairs.slice(0, mostShown).map(({ each, two }) => (
          <View key={each.ids.join(' ')} role="listitem">
            <Pair alike={each} two={two} onDecide={(isSame) => decide(two, isSame)} />
          </View>
        ))}
      </View>
      {pairs.length > mostShown ? (
        <Txt as="small">{`And ${pairs.length - mostShown} more after these.`}</Txt>
      ) : null}
      <Plate word="Directory" onPress={go.directory} />
    </ScrollView>
  );
}

/** null while it is looked for. */
function useAlike(
  contacts: readonly JoinedContact[],
  joins: Readonly<Record<string, { cardIds: readonly string[]; isSame: boolean }>>,
): Alike[] | null {
  const [found, setFound] = useState<Alike[] | null>(null);
  useEffect(() => {
    const apart = Object.values(joins).flatMap(({ cardIds: [a = '', b = ''], isSame }) =>
      isSame ? [] : [pairOf(a, b)],
    );
    return findAlikeBeside(contacts, apart, setFound);
  }, [contacts, joins]);
  return found;
}

const weight = ({ numbers, mails, places, cards }: JoinedContact) =>
  numbers.length + mails.length + places.length + (cards[0]?.sourceId === 'office' ? 10 : 0);

interface PairProps {
  alike: Alike;
  two: [JoinedContact, JoinedContact];
  onDecide: (isSame: boolean) => void;
}

function Pair({ alike: { reasons, differs }, two, onDecide }: PairProps) {
  const write = useAppSelector(selectWrite);
  const styles = useStyles();
  const names = two.map(({ name }) => name).join(' and ');
  return (
    <View style={styles.pair} role="group" aria-label={names}>
      <Txt as="strong">{reasons.map((reason) => reasonWords(reason, write)).join('; ')}</Txt>
      <View style={styles.two}>
        {two.map((contact) => (
          <View key={contact.id} style={styles.one}>
            <Initials name={contact.name} />
            {linesOf(contact, write).map(({ field, text }) => (
              <Txt
                key={field}
                as={field === 'name' ? 'strong' : 'small'}
                style={differs.some((each) => each === field) ? styles.differs : undefined}
              >
                {text}
              </Txt>
            ))}
          </View>
        ))}
      </View>
      <View style={styles.plates}>
        <Plate
          kind="main"
          word="They are one"
          label={`They are one: ${names}`}
          onPress={() => onDecide(true)}
        />
        <Plate word="They are two" label={`They are two: ${names}`} onPress={() => onDecide(false)} />
      </View>
    </View>
  );
}

function linesOf(
  { name, firm, numbers, mails, places, note }: JoinedContact,
  write: Write,
): { field: string; text: string }[] {
  return [
    { field: 'name', text: name },
    { field: 'firm', text: firm ?? '' },
    { field: 'numbers', text: numbers.map((each) => writtenNumber(each, write)).join('\n') },
    { field: 'mails', text: mails.join('\n') },
    { field: 'places', text: places.join('\n') },
    { field: 'note', text: note },
  ].filter(({ text }) => text !== '');
}

function reasonWords({ kind, value }: AlikeReason, write: Write): string {
  switch (kind) {
    case 'number':
      return `The same number, ${write((value ?? '').split(';')[0] ?? '')}`;
    case 'mail':
      return `The same mail address, ${value ?? ''}`;
    case 'name':
      return value === null ? 'Similar names, and no firm' : `Similar names at ${value}`;
  }
}
