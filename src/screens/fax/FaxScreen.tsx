import { useLocalSearchParams } from 'expo-router';
import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';

import { faxWords, isUnderway } from '@/core/inbox/fax';
import { formatDayAndClock } from '@/core/shared/time';
import {
  identifyNumber,
  selectOffice,
  selectPeople,
  selectZone,
  useAppDispatch,
  useAppSelector,
  useServices,
  useNow,
} from '@/state/app';
import { markFaxRead, readFaxPages, sendFaxAgain, stopFax, takeBackFax } from '@/state/inbox';
import { CordEdge } from '@/ui/cord';
import { EmptyState } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';

import { saveBlob } from '../shared/files';
import { useGo } from '../shared/useGo';
import { usePlaceCall } from '../shared/usePlaceCall';
import { FaxPages } from './FaxPages';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    screen: { flex: 1, minHeight: 0 },
    head: {
      flexDirection: 'row',
      backgroundColor: colours.paper,
      borderBottomWidth: 1,
      borderColor: colours.ink,
    },
    words: { flex: 1, minWidth: 0, padding: space.m, gap: space.xs },
    acts: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s, marginTop: space.xs },
  }),
);

/** One fax: from or to whom, how it stands, and its pages. */
export function FaxScreen() {
  const styles = useStyles();
  const go = useGo();
  const dispatch = useAppDispatch();
  const placeCall = usePlaceCall();
  const { id } = useLocalSearchParams<{ id: string }>();
  const { vault } = useServices();
  const office = useAppSelector(selectOffice);
  const people = useAppSelector(selectPeople);
  const zone = useAppSelector(selectZone);
  const now = useNow(60_000);
  const isRead = useAppSelector((state) => state.inbox.isRead);
  const fax = useAppSelector((state) => state.inbox.kept.faxes[id]);
  const [pdf, setPdf] = useState<Uint8Array | null>(null);
  const [isMissing, setMissing] = useState(false);
  const [tries, setTries] = useState(0);
  const isThere = fax !== undefined;
  const pagesUrl = fax?.pagesUrl ?? null;
  useEffect(() => {
    if (!isThere || !vault) return;
    let isGone = false;
    setMissing(false);
    void readFaxPages(vault, { id, pagesUrl }).then((found) => {
      if (isGone) return;
      setPdf(found);
      setMissing(found === null);
      if (found) void dispatch(markFaxRead(id));
    });
    return () => {
      isGone = true;
    };
  }, [dispatch, id, isThere, pagesUrl, tries, vault]);
  if (!fax)
    return (
      <EmptyState
        level={1}
        title={isRead ? 'No such fax' : 'Reading'}
        sentence={isRead ? 'It may have been taken back.' : 'It is being read from this device.'}
      >
        <Plate kind="main" word="See the faxes" onPress={go.faxes} />
      </EmptyState>
    );
  const { direction, number, lineId, title, state, at } = fax;
  const line = office.ever.lines.get(lineId);
  const other = identifyNumber(number, null, people);
  const sender = office.ever.people.get(fax.fromId ?? '')?.name;
  const save = () =>
    pdf && saveBlob(`${title}.pdf`, new Blob([pdf as BlobPart], { type: 'application/pdf' }));
  return (
    <View style={styles.screen}>
      <View style={styles.head}>
        <CordEdge cord={line?.cord ?? null} />
        <View style={styles.words}>
          <Txt as="title" level={1} lines={2}>
            {title}
          </Txt>
          <Txt as="small">
            {`${direction === 'in' ? 'From' : 'To'} ${other.name} · ${formatDayAndClock(at, now, zone)} · ${line?.name ?? ''}${sender === undefined ? '' : ` · sent by ${sender}`}`}
          </Txt>
          <View role="status">
            <Txt as="strong">{faxWords(fax)}</Txt>
          </View>
          <View style={styles.acts}>
            {direction === 'in' && number !== null ? (
              <Plate kind="main" word="Fax back" onPress={() => go.newFax(number)} />
            ) : null}
            {number === null ? null : (
              <Plate word="Call" label={`Call ${other.name}`} onPress={() => void placeCall(number)} />
            )}
            {isUnderway(fax) ? (
              <Plate kind="end" word="Stop" label="Stop the fax" onPress={() => void dispatch(stopFax(id))} />
            ) : null}
            {state === 'failed' || state === 'stopped' ? (
              <Plate
                kind="main"
                word={fax.sentPages === 0 ? 'Send again' : 'Send the rest'}
                onPress={() => void dispatch(sendFaxAgain(id))}
              />
            ) : null}
            {state === 'failed' || state === 'stopped' || state === 'waiting' ? (
              <Plate
                word="Take back"
                label="Take back the fax"
                onPress={() => void dispatch(takeBackFax(id))}
              />
            ) : null}
            <Plate word="Save PDF" disabled={!pdf} onPress={save} />
            <Plate word="Faxes" onPress={go.faxes} />
          </View>
        </View>
      </View>
      {isMissing ? (
        <EmptyState
          title="Its pages are not here yet"
          sentence="They could not be fetched when it came in. They can be once there is a network."
        >
          <Plate kind="main" word="Fetch them" onPress={() => setTries(tries + 1)} />
        </EmptyState>
      ) : (
        <FaxPages pdf={pdf} title={title} />
      )}
    </View>
  );
}
