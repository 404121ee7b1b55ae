import { useState } from 'react';
import { ScrollView, StyleSheet, useWindowDimensions, View } from 'react-native';

import { warningOf } from '@/core/calls/quality';
import { formatClock } from '@/core/shared/time';
import {
  isActive,
  nameOfCall,
  selectIncoming,
  selectTaken,
  selectZone,
  send,
  sendAndSay,
  useAppDispatch,
  useAppSelector,
  useNow,
  type CallView,
} from '@/state/app';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

import { lastSaid, phaseWord, takesKeys } from '../shared/callWords';
import { HelpMark } from '../shared/HelpMark';
import { KeyHint } from '../shared/KeyHint';
import { useHand } from '../shared/useHand';
import { useLayout } from '../shared/useLayout';
import { ActRows } from './ActRows';
import { CallFacts } from './CallFacts';
import { Cords } from './Cords';
import { ElsewhereList, useIsAnybodyElsewhere } from './ElsewhereList';
import { EndedCall } from './EndedCall';
import { FirstCall } from './FirstCall';
import { KeysOnCord } from './KeysOnCord';
import { openCallSheet } from './openSheet';
import { QualityLine } from './QualityLine';
import { SpeaksElsewhere } from './SpeaksElsewhere';
import { useCallActs } from './useCallActs';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    screen: { flex: 1, backgroundColor: colours.paper },
    head: {
      flexDirection: 'row',
      justifyContent: 'space-between',
      alignItems: 'baseline',
      gap: space.m,
      paddingHorizontal: space.l,
      paddingVertical: space.s,
      borderBottomWidth: 1,
      borderColor: colours.rule,
    },
    where: { flexShrink: 1 },
    clock: { flexDirection: 'row', alignItems: 'center', gap: space.m },
    body: { flex: 1, minHeight: 0 },
    across: { flexDirection: 'row' },
    side: {
      flex: 1,
      minWidth: 0,
      borderLeftWidth: 1,
      borderColor: colours.ink,
      backgroundColor: colours.sheet,
    },
    // Large text may need more than the window: then the picture scrolls, and the acts stay; in a low window they scroll too.
    scroll: { flex: 1, minHeight: 0 },
    picture: { flexGrow: 1 },
    hint: { paddingHorizontal: space.l, paddingBottom: space.s },
    said: { paddingHorizontal: space.l, paddingVertical: space.s, minHeight: 36, justifyContent: 'center' },
    offer: { marginHorizontal: space.l, marginTop: space.m },
    end: { paddingHorizontal: space.l, paddingVertical: space.m, backgroundColor: colours.sheet },
    lowEnd: { paddingVertical: space.s },
    endPlate: { minHeight: 60 },
    lowEndPlate: { minHeight: 48 },
  }),
);

/** Below that the keys need the room of the acts that are not about sound. */
const roomForKeys = 800;

/** The calls of this device as cords, with the acts under them. */
export function CallScreen() {
  const styles = useStyles();
  const { colours } = useTheme();
  const dispatch = useAppDispatch();
  const now = useNow();
  const zone = useAppSelector(selectZone);
  const calls = useAppSelector(selectTaken);
  const speech = useAppSelector((state) => state.calls.speech);
  const [showsKeys, setShowsKeys] = useState(false);
  const [showsRest, setShowsRest] = useState(false);
  const shown = calls.find(isActive) ?? calls[0];
  const keysOpen = showsKeys && shown !== undefined && takesKeys(shown);
  const keys = { isOpen: keysOpen, toggle: () => setShowsKeys(!keysOpen) };
  const { isWide, hasThird, isLow, isAcross } = useLayout();
  const hand = useHand();
  const { height } = useWindowDimensions();
  const isAnybodyElsewhere = useIsAnybodyElsewhere(now);
  // On a phone a second call needs the room in which the other acts stand.
  const isKnocked = useAppSelector((state) => selectIncoming(state).length > 0) && !hasThird;
  // As is the warning of a call that can hardly be heard, which says what to do.
  const isWarned = useAppSelector(
    ({ office }) => office.trend !== null && warningOf(office.trend) !== 'none',
  );
  const isMeeting = shown?.call.meeting != null;
  // Pictures need the room in which the acts that are not about the meeting stand.
  const isFolded = isMeeting && !isAcross;
  const groups = useCallActs(
    shown,
    calls,
    keys,
    openCallSheet,
    isFolded ? { isOn: showsRest, toggle: () => setShowsRest(!showsRest) } : null,
  );
  if (!shown) return <EndedCall />;
  const said = lastSaid(shown, speech);
  const { legId } = shown.me;
  const isOne = calls.length === 1 && shown.others.length === 1 && !isMeeting;
  const isOnTheWay = shown.phase === 'calling' || shown.phase === 'ringing';
  const connect = (held: CallView) => {
    const names = `${nameOfCall(held)} and ${nameOfCall(shown)}`;
    const done = isOnTheWay
      ? `${nameOfCall(held)} waits for ${nameOfCall(shown)}. If nobody takes it, it comes back to you.`
      : `${names} are connected, and you have left.`;
    void dispatch(sendAndSay({ type: 'connectCalls', legId: held.me.legId, otherLegId: legId }, done));
  };
  const merge = (held: CallView) =>
    void dispatch(
      sendAndSay({ type: 'mergeCalls', legId: held.me.legId, otherLegId: legId }, 'All are in one call.'),
    );
  // Held across, the acts stand beside the picture, and take no room from it.
  const showsFew = isKnocked || (keysOpen && height < roomForKeys && !isAcross);
  const count = showsFew ? 1 : isFolded && !showsRest ? 2 : groups.length;
  const acts = <ActRows groups={groups.slice(0, count)} hand={hand} isBare={isMeeting} />;
  return (
    <View style={styles.screen}>
      <View style={styles.head}>
        <Txt as="small" level={isOne ? undefined : 1} lines={1} style={styles.where}>
          <Txt as="strong">
            {calls.length > 1 ? `${calls.length} calls` : isMeeting ? 'Meeting' : phaseWord(shown)}
          </Txt>
          {shown.line ? ` · ${shown.line.name}` : ' · inside the office'}
        </Txt>
        <View style={styles.clock}>
          <Txt as="mono">{formatClock(now, zone)}</Txt>
          <HelpMark />
        </View>
      </View>
      <View style={[styles.body, isAcross && styles.across]}>
        <ScrollView style={styles.scroll} contentContainerStyle={styles.picture} tabIndex={0}>
          {hasThird ? null : <ElsewhereList isFolded />}
          <SpeaksElsewhere legId={legId} />
          <QualityLine view={shown} />
          <CallFacts view={shown} now={now} />
          <Cords
            calls={calls}
            now={now}
            keys={
              keysOpen ? (
                <KeysOnCord
                  view={shown}
                  onDigit={(digits) => void dispatch(send({ type: 'sendDigits', legId, digits }))}
                />
              ) : undefined
            }
            isTight={isKnocked || isWarned || isAnybodyElsewhere}
            onTalkTo={(view) => void dispatch(send({ type: 'retrieve', legId: view.me.legId }))}
            onParty={(view, party) => openCallSheet({ kind: 'party', view, party })}
            onConnect={connect}
            onMerge={merge}
            onJoin={(held) => openCallSheet({ kind: 'join', view: held, active: shown })}
          />
          {shown.call.failure === 'userBusy' && shown.direction === 'out' ? (
            <Plate
              kind="main"
              word="Call automatically when they are free"
              onPress={() => void dispatch(send({ type: 'callBackWhenFree', legId }))}
              style={styles.offer}
            />
          ) : null}
          <View style={styles.said} aria-live="polite">
            {said ? (
              <Txt as="small" colour={colours.ink} lines={3}>
                “{said}”
              </Txt>
            ) : null}
          </View>
          {isOne && !showsFew && !isWarned ? <FirstCall /> : null}
          {isWide ? (
            <View style={styles.hint}>
              <KeyHint text="Keys: M mute, H hold, T transfer, N note, E twice ends; ? shows all" />
            </View>
          ) : null}
          {isLow && !isAcross ? acts : null}
        </ScrollView>
        {isLow ? null : acts}
        <View style={isAcross && styles.side}>
          {isAcross ? <ScrollView style={styles.scroll}>{acts}</ScrollView> : null}
          <View style={[styles.end, isLow && styles.lowEnd]}>
            <Plate
              kind="end"
              word={endWord()}
              style={isLow ? styles.lowEndPlate : styles.endPlate}
              onPress={() => void dispatch(send({ type: 'clear', legId }))}
            />
          </View>
        </View>
      </View>
    </View>
  );

  function endWord(): string {
    if (isOnTheWay) return 'Stop calling';
    if (!shown || shown.others.length === 1) return `End with ${shown?.others[0]?.name ?? 'them'}`;
    return `Leave ${nameOfCall(shown)}`;
  }
}
