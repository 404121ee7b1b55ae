import { StyleSheet, View } from 'react-native';

import { recordedMs } from '@/core/calls/recordings';
import { isHostIn, isOpenRoom } from '@/core/calls/exchange';
import { nameOf } from '@/core/setup';
import { formatDuration } from '@/core/shared/time';
import { selectMyId, selectNames, send, useAppDispatch, useAppSelector, type CallView } from '@/state/app';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

import { forWords, whyItCameBack } from '../incoming/incomingWords';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    facts: { paddingHorizontal: space.l, paddingTop: space.s, gap: space.s },
    fact: { flexDirection: 'row', alignItems: 'center', gap: space.s },
    grow: { flex: 1 },
    recording: { width: 12, height: 12, borderWidth: 2, borderColor: colours.rowan },
    isOn: { backgroundColor: colours.rowan },
    emergency: { borderLeftWidth: 4, borderColor: colours.rowan, paddingLeft: space.m },
  }),
);

/** What is true of the call beside who is in it: for whom it is, recorded, open to whoever has the code, come back, an emergency. */
export function CallFacts({ view, now }: { view: CallView; now: number }) {
  const styles = useStyles();
  const { colours } = useTheme();
  const dispatch = useAppDispatch();
  const names = useAppSelector(selectNames);
  const { recording, call } = view;
  const recordedByOthers = view.isRecorded && recording?.state !== 'on';
  const myId = useAppSelector(selectMyId);
  const myLeg = call.legs.find(({ id }) => id === view.me.legId);
  const forWhom =
    call.forId !== null && call.forId !== myId
      ? `In the name of ${nameOf(call.forId, names.office)}`
      : myLeg?.role === 'called' && myLeg.broughtFor === 'call'
        ? forWords(firstPlan(call), myId, names.office)
        : null;
  const room = call.legs.find(isOpenRoom);
  const conferenceId = room?.endpoint.kind === 'conference' ? room.endpoint.conferenceId : '';
  const inConference = room
    ? `In the conference ${names.office.ever.conferences.get(conferenceId)?.name ?? 'that was dialled'}${myLeg && isHostIn(call, myLeg) ? ', as its host' : ''}`
    : null;
  const hasFacts =
    inConference !== null ||
    forWhom !== null ||
    recording ||
    recordedByOthers ||
    call.returned ||
    call.emergency ||
    call.invitation;
  if (!hasFacts) return null;
  return (
    <View style={styles.facts}>
      {call.emergency ? (
        <View style={styles.emergency}>
          <Txt as="strong">They are told that you are here:</Txt>
          <Txt>{call.emergency.location ?? 'no place is set for this device, so say where you are'}</Txt>
        </View>
      ) : null}
      {inConference === null ? null : <Txt as="strong">{inConference}</Txt>}
      {forWhom === null ? null : <Txt as="strong">{forWhom}</Txt>}
      {recording ? (
        <View style={styles.fact} aria-live="polite">
          <View style={[styles.recording, recording.state === 'on' && styles.isOn]} aria-hidden />
          <Txt as="strong">{recordingWords[recording.state]}</Txt>
          <Txt as="mono">{formatDuration(recordedMs(recording, now))}</Txt>
        </View>
      ) : null}
      {recordedByOthers ? <Txt as="strong">The other side records this call</Txt> : null}
      {call.invitation ? (
        <View style={styles.fact} aria-live="polite">
          <Txt style={styles.grow}>
            Whoever dials{' '}
            <Txt as="monoLarge">
              *{names.office.plan.services.join}
              {call.invitation.code}
            </Txt>{' '}
            {call.invitation.purpose === 'join' ? 'comes in' : 'takes over, and you leave'}
          </Txt>
          <Plate
            word="Withdraw"
            label="Withdraw the invitation"
            onPress={() => void dispatch(send({ type: 'withdrawInvitation', legId: view.me.legId }))}
          />
        </View>
      ) : null}
      {call.returned ? <Txt colour={colours.slate}>{`Came back: ${whyItCameBack(call, names)}.`}</Txt> : null}
    </View>
  );
}

const recordingWords = { on: 'Recording', paused: 'Recording paused', ended: 'Recorded' } as const;

/** By whose plan it came here: who was asked into it later was rung by their own. */
const firstPlan = ({ ringing, earlierTraces }: CallView['call']) =>
  ringing?.broughtFor === 'call' ? ringing.trace : earlierTraces[0];
