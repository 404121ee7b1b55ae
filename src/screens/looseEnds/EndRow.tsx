import isEqual from 'fast-deep-equal';
import { memo, useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';

import {
  isElsewhere,
  isTask,
  teamOf,
  triedAt,
  newestWords,
  rankWords,
  sinceOf,
  whyWords,
  type LooseEnd,
  type RankedEnd,
} from '@/core/inbox/looseEnds';
import { recordIdOf } from '@/core/calls/exchange';
import { formatDayAndClock, formatDuration, formatSpan } from '@/core/shared/time';
import {
  selectMyId,
  selectOffice,
  selectPeople,
  selectWrite,
  selectZone,
  useAppDispatch,
  useAppSelector,
} from '@/state/app';
import { letGo, putAway, selectMyVoicemails, takeOn } from '@/state/inbox';
import { CordEdge } from '@/ui/cord';
import { Initials } from '@/ui/person';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

import { writeNumbers } from '../shared/useFound';
import { useGo } from '../shared/useGo';
import { usePlaceCall } from '../shared/usePlaceCall';
import { LaterSheet } from './LaterSheet';
import { PullRow } from './PullRow';
import { VoicemailPlayer } from './VoicemailPlayer';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    row: {
      flexDirection: 'row',
      backgroundColor: colours.sheet,
      borderBottomWidth: 1,
      borderColor: colours.rule,
    },
    selected: { backgroundColor: colours.paper },
    body: { flex: 1, minWidth: 0, paddingVertical: space.m, paddingHorizontal: space.m, gap: space.s },
    press: { flexDirection: 'row', gap: space.m },
    words: { flex: 1, minWidth: 0 },
    top: { flexDirection: 'row', alignItems: 'baseline', gap: space.s },
    name: { flex: 1, minWidth: 0 },
    acts: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
    act: { paddingHorizontal: space.m },
  }),
);

interface EndRowProps {
  ranked: RankedEnd;
  now: number;
  isSelected: boolean;
}

const minuteMs = 60_000;

/** What of a row changes with the time alone. */
function timesOf({ ranked: { end }, now }: EndRowProps): string {
  const hasDue = end.reasons.some(({ dueAt }) => dueAt !== null);
  const spans = [formatSpan(now - sinceOf(end)), formatSpan(now - triedAt(end))];
  return [...spans, hasDue ? Math.floor(now / minuteMs) : ''].join(' ');
}

/** One person who waits: why, with their newest words, and the obvious next act. Pulled aside it is done, or for later. */
export const EndRow = memo(
  EndRowView,
  (a, b) => a.isSelected === b.isSelected && timesOf(a) === timesOf(b) && isEqual(a.ranked, b.ranked),
);

function EndRowView({ ranked: { end, weights }, now, isSelected }: EndRowProps) {
  const styles = useStyles();
  const { colours } = useTheme();
  const dispatch = useAppDispatch();
  const go = useGo();
  const placeCall = usePlaceCall();
  const office = useAppSelector(selectOffice);
  const zone = useAppSelector(selectZone);
  const myId = useAppSelector(selectMyId);
  const voicemails = useAppSelector(selectMyVoicemails);
  const [isListening, setListening] = useState(false);
  const [isPuttingOff, setPuttingOff] = useState(false);
  const { who } = end;
  const voicemail = voicemails.find(({ id, callId }) =>
    end.reasons.some((reason) => reason.id === id || reason.id === recordIdOf(callId, myId)),
  );
  const write = useAppSelector(selectWrite);
  // The number they used last is called; their others are offered.
  const numbers = writeNumbers(useAppSelector(selectPeople).numbersOf(who.number), write);
  const used = numbers.find(({ number }) => number === who.number);
  const others = numbers.filter((each) => each !== used);
  const line = lineOf(end, office.lines);
  const words = newestWords(end);
  const due = end.reasons.find(({ dueAt }) => dueAt !== null)?.dueAt ?? null;
  const holder = isElsewhere(end, myId) ? office.people.get(end.takenById ?? '')?.name : undefined;
  return (
    <View role="listitem" aria-label={who.name}>
      <PullRow
        onDone={() => void dispatch(putAway(end))}
        onLater={() => setPuttingOff(true)}
        style={[styles.row, isSelected && styles.selected]}
      >
        <CordEdge cord={line?.cord ?? null} />
        <View style={styles.body}>
          <Pressable
            role="button"
            onPress={() => (isTask(who) ? go.followUps() : go.person(who.key))}
            style={styles.press}
          >
            <Initials name={who.name} />
            <View style={styles.words}>
              <View style={styles.top}>
                <Txt as="strong" lines={isTask(who) ? 2 : 1} style={styles.name}>
                  {who.name}
                </Txt>
                <Txt as="mono" colour={colours.faint}>
                  {formatSpan(now - sinceOf(end))}
                </Txt>
              </View>
              <Txt as="small">{isTask(who) ? 'to do' : whyWords(end, office, now)}</Txt>
              {due === null ? null : (
                <Txt as="small" colour={due <= now ? colours.rowan : colours.ink}>
                  {`${dueWord(due <= now, isTask(who))} ${formatDayAndClock(due, now, zone)}`}
                </Txt>
              )}
              {holder === undefined ? null : <Txt as="small">{`${holder} has taken it on`}</Txt>}
              {words === null ? null : <Txt lines={2}>{`“${words}”`}</Txt>}
              {weights.length === 0 ? null : <Txt as="small">{`Here because: ${rankWords(weights)}`}</Txt>}
            </View>
          </Pressable>
          {voicemail && isListening ? <VoicemailPlayer voicemail={voicemail} playsAtOnce /> : null}
          <View style={styles.acts}>
            {who.number === null ? null : (
              <Plate
                kind="main"
                word={used && others.length > 0 ? `Call ${used.label}` : 'Call'}
                label={`Call ${used && others.length > 0 ? `${used.label}, ` : ''}${who.name}`}
                onPress={() => void placeCall(used?.dial ?? who.number ?? '')}
                style={styles.act}
              />
            )}
            {others.map(({ label, written, dial }) => (
              <Plate
                key={dial}
                word={capital(label)}
                label={`${capital(label)} ${written}, call ${who.name}`}
                onPress={() => void placeCall(dial)}
                style={styles.act}
              />
            ))}
            {voicemail && !isListening ? (
              <Plate
                word={`Play ${formatDuration(voicemail.durationMs)}`}
                label={`Play ${formatDuration(voicemail.durationMs)} from ${who.name}`}
                onPress={() => setListening(true)}
                style={styles.act}
              />
            ) : null}
            {teamOf(end) !== null && holder === undefined ? (
              <Plate
                word={end.takenById === myId ? 'Let go of it' : 'I take it on'}
                label={`${end.takenById === myId ? 'Let go of it' : 'I take it on'}: ${who.name}`}
                onPress={() => void dispatch(end.takenById === myId ? letGo(end) : takeOn(end))}
                style={styles.act}
              />
            ) : null}
            {holder === undefined ? null : (
              <Plate
                word="Take it on"
                label={`Take it on: ${who.name}`}
                onPress={() => void dispatch(takeOn(end))}
                style={styles.act}
              />
            )}
            <Plate
              word="Later"
              label={`Later: ${who.name}`}
              onPress={() => setPuttingOff(true)}
              style={styles.act}
            />
            <Plate
              word="Done"
              label={`Done: ${who.name}`}
              onPress={() => void dispatch(putAway(end))}
              style={styles.act}
            />
          </View>
        </View>
      </PullRow>
      {isPuttingOff ? <LaterSheet end={end} onClose={() => setPuttingOff(false)} /> : null}
    </View>
  );
}

const dueWord = (isOver: boolean, isAboutNobody: boolean) =>
  isAboutNobody ? (isOver ? 'Overdue since' : 'Due') : isOver ? 'Was promised for' : 'Promised for';

const capital = (word: string) => word.charAt(0).toUpperCase() + word.slice(1);

/** The line it is about: an urgent one before others, else the last they tried. */
function lineOf<T extends { urgent: boolean }>(
  { reasons }: LooseEnd,
  lines: ReadonlyMap<string, T>,
): T | undefined {
  const tried = reasons.flatMap(({ lineId }) => lines.get(lineId ?? '') ?? []);
  return tried.find(({ urgent }) => urgent) ?? tried.at(-1);
}
