import { ScrollView, StyleSheet, View } from 'react-native';

import { whoOf } from '@/core/inbox/looseEnds';
import { describeOutcome } from '@/core/calls/history';
import { mayRead, roomIdOf } from '@/core/inbox/messages';
import { formatDayAndClock } from '@/core/shared/time';
import {
  identifyNumber,
  selectMyId,
  selectOffice,
  selectPeople,
  selectZone,
  useAppSelector,
  useNow,
} from '@/state/app';
import { selectFound, type Found } from '@/state/inbox';
import { Row } from '@/ui/list';
import { EmptyState } from '@/ui/notice';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

import { authorOf } from '../rooms/roomWords';
import { useGo } from '../shared/useGo';

/** What was said or written with those words, newest first. */
export function FoundList({ words }: { words: string }) {
  const found = useAppSelector((state) => selectFound(state, words)) ?? [];
  if (found.length === 0)
    return (
      <EmptyState
        title="Nothing found"
        sentence={`“${words.trim()}” is in no call, voicemail, text or note on this device.`}
      />
    );
  return (
    <ScrollView tabIndex={0} contentContainerStyle={styles.list}>
      <View role="list" aria-label="Found">
        {found.map((each) => (
          <View key={`${each.kind} ${each.id}`} role="listitem">
            <FoundRow found={each} />
          </View>
        ))}
      </View>
      {found.length >= 60 ? (
        <Txt as="small">These are the newest. Another word narrows them down.</Txt>
      ) : null}
    </ScrollView>
  );
}

function FoundRow({ found }: { found: Found }) {
  const go = useGo();
  const office = useAppSelector(selectOffice);
  const people = useAppSelector(selectPeople);
  const zone = useAppSelector(selectZone);
  const now = useNow(60_000);
  const rooms = useAppSelector((state) => state.inbox.kept.rooms);
  const myId = useAppSelector(selectMyId);
  const when = formatDayAndClock(found.at, now, zone);
  const person =
    (number: string | null, name: string | null, personId: string | null, callId: string) => () =>
      go.person(whoOf({ number, name, personId }, callId, office, people).key, found.id);
  switch (found.kind) {
    case 'call': {
      const { number, name } = found.record.other;
      return (
        <Row
          title={identifyNumber(number, name, people).name}
          detail={`${when} · ${describeOutcome(found.record, office)}`}
          onPress={() => go.record(found.id)}
        />
      );
    }
    case 'voicemail': {
      const { number, name, personId } = found.voicemail.from;
      return (
        <Row
          title={`“${found.text}”`}
          detail={`${when} · voicemail from ${identifyNumber(number, name, people).name}`}
          onPress={person(number, name, personId, found.voicemail.callId)}
        />
      );
    }
    case 'text': {
      const { number, text, direction, picture } = found.message;
      const roomId = roomIdOf(number);
      const room = rooms[roomId ?? ''];
      if (roomId !== null)
        return (
          <Row
            title={text}
            detail={`${when} · ${authorOf(found.message, office)}, in ${room?.name ?? 'a room'}${room && !mayRead(room, myId) ? ', which you have left' : ''}`}
            onPress={() => go.room(roomId, found.id)}
          />
        );
      return (
        <Row
          title={text || (picture?.alt ?? '')}
          detail={`${when} · text ${direction === 'in' ? 'from' : 'to'} ${identifyNumber(number, null, people).name}`}
          onPress={person(number, null, null, found.id)}
        />
      );
    }
    case 'fax':
      return (
        <Row
          title={found.fax.title}
          detail={`${when} · fax, ${identifyNumber(found.fax.number, null, people).name}`}
          onPress={() => go.fax(found.id)}
        />
      );
    case 'work':
      return found.isFollowUp ? (
        <Row title={found.text} detail={`${when} · follow-up`} onPress={go.followUps} />
      ) : (
        <Row title={found.text} detail={`${when} · note`} onPress={go.notes} />
      );
  }
}

const styles = StyleSheet.create({ list: { padding: space.l, gap: space.m } });
