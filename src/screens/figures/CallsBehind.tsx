import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';

import type { FigureCall } from '@/core/calls/figures';
import { recordIdOf } from '@/core/calls/exchange';
import { nameOf } from '@/core/setup';
import { formatDayAndClock, formatDuration } from '@/core/shared/time';
import {
  selectWrite,
  selectMyId,
  selectOffice,
  selectPeople,
  selectZone,
  useAppSelector,
  useNow,
} from '@/state/app';
import { selectMay } from '@/state/configuration';
import { Row } from '@/ui/list';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

import { useGo } from '../shared/useGo';
import { RecordingOfCall } from './RecordingOfCall';
import { StaffingPart } from './StaffingPart';

const shownAtOnce = 50;

interface CallsBehindProps {
  title: string;
  read: () => Promise<FigureCall[]>;
  /** In how many hours such calls could come; null where it is not by the hour. */
  hours: number | null;
  withinSeconds: number;
  onClose: () => void;
}

/** The calls behind a figure, the newest first. One of the worker's own opens with its path; what was recorded plays here, for whom it may. */
export function CallsBehind({ title, read, hours, withinSeconds, onClose }: CallsBehindProps) {
  const write = useAppSelector(selectWrite);
  const go = useGo();
  const now = useNow(60_000);
  const zone = useAppSelector(selectZone);
  const office = useAppSelector(selectOffice);
  const people = useAppSelector(selectPeople);
  const myId = useAppSelector(selectMyId);
  const mayPlay = useAppSelector((state) => selectMay(state, 'playRecordings'));
  const mine = useAppSelector((state) => state.history.records);
  const [calls, setCalls] = useState<FigureCall[] | null>(null);
  const [most, setMost] = useState(shownAtOnce);
  useEffect(() => {
    void read().then((found) => setCalls(found.sort((a, b) => b.at - a.at)));
    // Read once for each row that is opened.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  const resultOf = ({ ended, takenById, takenAt, endedAt, at, recordings }: FigureCall) => {
    const recorded = recordings.length > 0 ? ', recorded' : '';
    const waited = formatDuration((takenAt ?? endedAt) - at);
    if (ended === 'abandoned') return `gave up after ${waited}`;
    if (ended === 'overflowed') return `went on after ${waited}`;
    const by =
      takenById === null ? 'outside' : (office.ever.people.get(takenById)?.name ?? 'somebody no longer here');
    return `taken after ${waited} by ${by}, talked ${formatDuration(endedAt - (takenAt ?? endedAt))}${recorded}`;
  };
  return (
    <Sheet title={title} onClose={onClose}>
      {calls === null ? (
        <Txt>Looking …</Txt>
      ) : (
        <View style={styles.stack}>
          {hours === null || calls.length === 0 ? null : (
            <StaffingPart {...{ calls, hours, withinSeconds }} />
          )}
          <Txt as="heading" level={2}>
            {calls.length === 1 ? 'The call' : `The ${calls.length} calls`}
          </Txt>
          <View role="list" aria-label={`Calls: ${title}`}>
            {calls.slice(0, most).map((call) => {
              const recordId = recordIdOf(call.id, myId);
              const isMine = mine.some(({ id }) => id === recordId);
              const name =
                people.whoHas(call.number)?.name ??
                call.name ??
                (call.number === null ? 'Number withheld' : write(call.number));
              const line = office.ever.lines.get(call.lineId ?? '')?.name ?? 'an extension';
              const detail = `${formatDayAndClock(call.at, now, zone)} · ${line} · ${resultOf(call)}`;
              const heard = call.recordings
                .filter(({ personId }) => personId === myId || mayPlay)
                .map(({ id, personId }) => (
                  <RecordingOfCall key={id} id={id} whose={nameOf(personId, office)} withWhom={name} />
                ));
              return isMine ? (
                <View key={call.id} role="listitem">
                  <Row
                    title={name}
                    detail={detail}
                    detailLines={3}
                    onPress={() => {
                      onClose();
                      go.record(recordId);
                    }}
                  />
                  {heard}
                </View>
              ) : (
                <View key={call.id} role="listitem">
                  <Txt as="strong">{name}</Txt>
                  <Txt as="small">{detail}</Txt>
                  {heard}
                </View>
              );
            })}
            {calls.length > most ? (
              <Plate word={`Show more of ${calls.length}`} onPress={() => setMost(most + shownAtOnce)} />
            ) : null}
          </View>
        </View>
      )}
    </Sheet>
  );
}

const styles = StyleSheet.create({ stack: { gap: space.l } });
