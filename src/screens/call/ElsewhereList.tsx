import { StyleSheet, View } from 'react-native';

import { formatDuration } from '@/core/time';
import {
  nameOfCall,
  selectAtMyOtherPhones,
  selectCallBacks,
  selectParked,
  selectRingingAtColleagues,
  send,
  useAppDispatch,
  useAppSelector,
  useNow,
} from '@/state/app';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

import { useGo } from '../shared/useGo';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    list: { paddingHorizontal: space.l, paddingVertical: space.s, gap: space.s },
    item: {
      flexDirection: 'row',
      alignItems: 'center',
      gap: space.m,
      padding: space.m,
      backgroundColor: colours.sheet,
      borderWidth: 1,
      borderColor: colours.edge,
      borderStyle: 'dashed',
    },
    words: { flex: 1, minWidth: 0 },
    slot: { minWidth: 48 },
  }),
);

/** What waits elsewhere and can be taken here: parked calls, talks at my other phones, what rings at the team. */
export function ElsewhereList() {
  const styles = useStyles();
  const { colours } = useTheme();
  const dispatch = useAppDispatch();
  const go = useGo();
  const now = useNow();
  const deviceId = useAppSelector((state) => state.office.me?.deviceId ?? '');
  const parked = useAppSelector(selectParked);
  const atMyPhones = useAppSelector(selectAtMyOtherPhones);
  const atColleagues = useAppSelector(selectRingingAtColleagues);
  const callBacks = useAppSelector(selectCallBacks);
  const isEmpty = parked.length + atMyPhones.length + atColleagues.length + callBacks.length === 0;
  if (isEmpty) return null;
  const take = async (command: Parameters<typeof send>[0]) => {
    const result = await dispatch(send(command));
    if (result?.ok) go.call();
  };
  return (
    <View style={styles.list} role="region" aria-label="Waiting elsewhere">
      {parked.map((view) => (
        <View key={view.callId} style={styles.item}>
          <Txt as="title" style={styles.slot}>
            {view.slot}
          </Txt>
          <View style={styles.words}>
            <Txt as="strong" lines={1}>
              {view.name}
            </Txt>
            <Txt as="small" colour={now > view.ringsBackAt - 30_000 ? colours.rowan : colours.faint}>
              {view.isRingingBack ? 'rings back' : `parked ${formatDuration(now - view.since)}`} by{' '}
              {view.byMe ? 'you' : view.byName}
            </Txt>
          </View>
          <Plate
            word="Take"
            label={`Take ${view.name} from slot ${view.slot}`}
            onPress={() => void take({ type: 'unpark', deviceId, slot: view.slot })}
          />
        </View>
      ))}
      {atMyPhones.map((view) => (
        <View key={view.callId} style={styles.item}>
          <View style={styles.words}>
            <Txt as="strong" lines={1}>
              {view.name}
            </Txt>
            <Txt as="small">
              {view.isRinging
                ? `your ${view.deviceName} rings: take it up, and they are called`
                : `on your ${view.deviceName}, ${formatDuration(now - view.since)}`}
            </Txt>
          </View>
          {view.isRinging ? (
            <Plate
              word="Stop"
              label={`Stop calling ${view.name}`}
              onPress={() => void dispatch(send({ type: 'clear', legId: view.legId }))}
            />
          ) : (
            <Plate
              word="Bring here"
              label={`Bring the call with ${view.name} here`}
              onPress={() => void take({ type: 'move', legId: view.legId, to: { deviceId }, atOnce: true })}
            />
          )}
        </View>
      ))}
      {atColleagues.map((view) => (
        <View key={view.legId} style={styles.item}>
          <View style={styles.words}>
            <Txt as="strong" lines={1}>
              {view.callerName}
            </Txt>
            <Txt as="small">
              rings at {view.colleagueName}, {formatDuration(now - view.since)}
            </Txt>
          </View>
          <Plate
            word="Pick up"
            label={`Pick up ${view.callerName} for ${view.colleagueName}`}
            onPress={() => void take({ type: 'pickUp', deviceId, legId: view.legId })}
          />
        </View>
      ))}
      {callBacks.map((view) => (
        <View key={view.id} style={styles.item}>
          <View style={styles.words}>
            <Txt as="strong" lines={1}>
              {nameOfCall(view)}
            </Txt>
            <Txt as="small">busy; rings you when they are free</Txt>
          </View>
          <Plate
            word="Stop"
            label={`Stop waiting for ${nameOfCall(view)}`}
            onPress={() => void dispatch(send({ type: 'clear', legId: view.me.legId }))}
          />
        </View>
      ))}
    </View>
  );
}
