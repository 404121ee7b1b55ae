import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import type { MeetingAct } from '@/core/calls/meetings';
import { meetingOf, send, useAppDispatch, useAppSelector, useNow, type CallView } from '@/state/app';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';

import { openCallSheet } from '../openSheet';
import { GuestActs } from '../meeting/GuestsWaiting';
import { isSoundOnly, marksOf } from '../meeting/pictureWords';
import { LazyMinutes } from './LazyMinutes';
import { RefusalLine } from './RefusalLine';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    stack: { gap: space.m },
    row: {
      flexDirection: 'row',
      flexWrap: 'wrap',
      alignItems: 'center',
      gap: space.s,
      paddingVertical: space.s,
      borderBottomWidth: 1,
      borderColor: colours.rule,
    },
    name: { flex: 1, minWidth: 96 },
  }),
);

/** Who is in the meeting, raised hands first; what its host decides; and where its minutes go. */
export function MeetingSheet({ view, onClose }: { view: CallView; onClose: () => void }) {
  const styles = useStyles();
  const dispatch = useAppDispatch();
  const now = useNow();
  const [choosesRoom, setChoosesRoom] = useState(false);
  const speaking = useAppSelector(({ office }) => office.speaking.legIds);
  const meeting = meetingOf(view);
  if (!meeting) return null;
  const act = (what: MeetingAct) =>
    void dispatch(send({ type: 'inMeeting', legId: view.me.legId, act: what }));
  const all = [{ ...view.me, name: 'You' }, ...view.others];
  const order = (legId: string) => {
    const hand = meeting.hands.indexOf(legId);
    return hand < 0 ? meeting.hands.length : hand;
  };
  const inOrder = [...all].sort((one, other) => order(one.legId) - order(other.legId));
  return (
    <Sheet title="Who is in it" onClose={onClose}>
      <View style={styles.stack}>
        <RefusalLine />
        <View role="list" aria-label="People">
          {inOrder.map(({ legId, name, personId }) => {
            const isMe = legId === view.me.legId;
            const party = view.others.find((each) => each.legId === legId);
            const hasHand = meeting.hands.includes(legId);
            return (
              <View key={legId} role="listitem" style={styles.row}>
                <View style={styles.name}>
                  <Txt as="strong">{name}</Txt>
                  <Txt as="small">
                    {[
                      ...(speaking.includes(legId) ? ['speaks'] : []),
                      ...marksOf(meeting, view, legId, now),
                    ].join(' · ') || 'sees and hears'}
                  </Txt>
                </View>
                {hasHand && (isMe || meeting.isHost) ? (
                  <Plate
                    word="Lower hand"
                    label={`Lower hand: ${name}`}
                    onPress={() => act({ act: 'lowerHand', otherLegId: legId })}
                  />
                ) : null}
                {party && isSoundOnly(view.call, legId) ? (
                  <Plate
                    word="Send a link …"
                    label={`Send a link …: ${name}`}
                    onPress={() => openCallSheet({ kind: 'link', view, party })}
                  />
                ) : null}
                {meeting.isHost && !isMe && personId !== null && !meeting.hostLegIds.includes(legId) ? (
                  <Plate
                    word="Make host"
                    label={`Make host: ${name}`}
                    onPress={() => act({ act: 'makeHost', otherLegId: legId })}
                  />
                ) : null}
              </View>
            );
          })}
        </View>
        {meeting.waiting.length > 0 ? (
          <View role="list" aria-label="Waiting to be let in">
            {meeting.waiting.map((each) => (
              <View key={each.guestId} role="listitem" style={styles.row}>
                <View style={styles.name}>
                  <Txt as="strong">{each.name}</Txt>
                  <Txt as="small">
                    {meeting.isHost ? 'wants to come in' : 'waits until a host lets them in'}
                  </Txt>
                </View>
                {meeting.isHost ? <GuestActs guest={{ ...each, legId: view.me.legId }} /> : null}
              </View>
            ))}
          </View>
        ) : null}
        {meeting.isLocked ? null : (
          <>
            <Plate kind="main" word="Add somebody" onPress={() => openCallSheet({ kind: 'add', view })} />
            <Plate
              word="Invite by a link …"
              onPress={() => openCallSheet({ kind: 'link', view, party: null })}
            />
          </>
        )}
        {meeting.isHost ? (
          <>
            <Plate word="Mute everybody else" onPress={() => act({ act: 'muteOthers' })} />
            <Plate
              word={meeting.isLocked ? 'Let people in again' : 'Let nobody else in'}
              onPress={() => act({ act: 'setLock', isLocked: !meeting.isLocked })}
            />
          </>
        ) : (
          <Txt as="small">Muting everybody, letting nobody in and ending it for all is for a host.</Txt>
        )}
        {choosesRoom ? (
          <LazyMinutes view={view} onDone={onClose} />
        ) : (
          <Plate word="Minutes into a room …" onPress={() => setChoosesRoom(true)} />
        )}
        {meeting.isHost ? (
          <Plate kind="end" word="End it for everybody" onPress={() => act({ act: 'end' })} />
        ) : null}
      </View>
    </Sheet>
  );
}
