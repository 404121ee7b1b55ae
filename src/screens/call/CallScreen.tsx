import { useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';

import { formatClock, formatDuration } from '@/core/time';
import {
  selectTaken,
  selectZone,
  send,
  useAppDispatch,
  useAppSelector,
  useNow,
  type CallView,
  type AppDispatch,
} from '@/state/app';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

import { phaseWord } from '../shared/callWords';
import { ActRows, type ActGroup } from './ActRows';
import { Cords } from './Cords';
import { EndedCall } from './EndedCall';
import { KeysPanel } from './KeysPanel';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    screen: { flex: 1, backgroundColor: colours.paper },
    head: {
      flexDirection: 'row',
      justifyContent: 'space-between',
      alignItems: 'baseline',
      gap: space.m,
      paddingHorizontal: space.l,
      paddingVertical: space.m,
      borderBottomWidth: 1,
      borderColor: colours.rule,
    },
    where: { flexShrink: 1 },
    // Large text may need more than the window: then the picture scrolls, and the acts stay.
    picture: { flexGrow: 1 },
    said: { paddingHorizontal: space.l, paddingVertical: space.s, minHeight: 44, justifyContent: 'center' },
    end: { padding: space.l, backgroundColor: colours.sheet },
  }),
);

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
  const shown = calls.find(({ me }) => me.state === 'connected') ?? calls[0];
  if (!shown) return <EndedCall />;

  const other = shown.others[0];
  const said = shown.me.heard.kind === 'voices' ? (speech[shown.id]?.text ?? null) : null;
  const talkTo = (view: CallView) => void dispatch(send({ type: 'retrieve', legId: view.me.legId }));
  const canSendDigits = shown.phase === 'talking';
  const keysOpen = showsKeys && canSendDigits;

  return (
    <View style={styles.screen}>
      <View style={styles.head}>
        <Txt as="small" lines={1} style={styles.where}>
          <Txt as="strong">{calls.length === 1 ? phaseWord(shown) : `${calls.length} calls`}</Txt>
          {shown.line ? ` · ${shown.line.name}` : ' · inside the office'}
        </Txt>
        <Txt as="mono">{keysOpen ? formatDuration(now - shown.since) : formatClock(now, zone)}</Txt>
      </View>
      {keysOpen ? (
        <KeysPanel
          view={shown}
          said={said}
          onDigit={(digits) => void dispatch(send({ type: 'sendDigits', legId: shown.me.legId, digits }))}
        />
      ) : (
        <ScrollView contentContainerStyle={styles.picture} tabIndex={0}>
          <Cords calls={calls} now={now} onTalkTo={talkTo} />
          <View style={styles.said} aria-live="polite">
            {said ? (
              <Txt as="small" colour={colours.ink} lines={3}>
                “{said}”
              </Txt>
            ) : null}
          </View>
        </ScrollView>
      )}
      <ActRows groups={groupsOf(shown, calls, keysOpen, setShowsKeys, dispatch)} />
      <View style={styles.end}>
        <Plate
          kind="end"
          large
          word={
            shown.phase === 'calling' || shown.phase === 'ringing'
              ? 'Stop calling'
              : `End with ${other?.name ?? 'them'}`
          }
          onPress={() => void dispatch(send({ type: 'clear', legId: shown.me.legId }))}
        />
      </View>
    </View>
  );
}

function groupsOf(
  shown: CallView,
  calls: readonly CallView[],
  keysOpen: boolean,
  setShowsKeys: (shows: boolean) => void,
  dispatch: AppDispatch,
): ActGroup[] {
  const { legId, muted, state } = shown.me;
  const held = calls.find((view) => view !== shown && view.phase === 'held');
  const isTalking = shown.phase === 'talking';
  return [
    {
      name: 'My sound',
      acts: [
        {
          word: muted ? 'Unmute' : 'Mute',
          pressed: muted,
          disabled: state !== 'connected',
          onPress: () => void dispatch(send({ type: muted ? 'unmute' : 'mute', legId })),
        },
        {
          word: keysOpen ? 'Hide keys' : 'Keys',
          pressed: keysOpen,
          disabled: !isTalking,
          onPress: () => setShowsKeys(!keysOpen),
        },
      ],
    },
    {
      name: 'This call',
      acts: [
        state === 'held'
          ? { word: 'Talk again', onPress: () => void dispatch(send({ type: 'retrieve', legId })) }
          : {
              word: 'Hold',
              disabled: !isTalking,
              onPress: () => void dispatch(send({ type: 'hold', legId })),
            },
        ...(held
          ? [
              {
                word: 'Swap',
                onPress: () =>
                  void dispatch(send({ type: 'retrieve', legId: held.me.legId, activeCall: 'hold' })),
              },
            ]
          : []),
      ],
    },
  ];
}
