import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import { formatDuration } from '@/core/shared/time';
import {
  canTakeBack,
  nameOfCall,
  selectAtMyOtherPhones,
  selectCallBacks,
  selectHandedOver,
  selectMyDeviceId,
  selectParked,
  selectRingingAtColleagues,
  send,
  takeBackCall,
  useAppDispatch,
  useAppSelector,
  useNow,
} from '@/state/app';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

import { useGo } from '../shared/useGo';
import { handedWords } from './handedWords';

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

/** All that waits elsewhere, and the names of who it is. */
function useElsewhere(now: number, exceptCallId?: string) {
  const parked = useAppSelector(selectParked);
  const atMyPhones = useAppSelector(selectAtMyOtherPhones);
  const atColleagues = useAppSelector(selectRingingAtColleagues);
  const callBacks = useAppSelector(selectCallBacks);
  const sent = useAppSelector(selectHandedOver).filter(
    (view) => view.callId !== exceptCallId && canTakeBack(view, now),
  );
  const names = [
    ...[...parked, ...sent, ...atMyPhones].map(({ name }) => name),
    ...atColleagues.map(({ callerName }) => callerName),
    ...callBacks.map(nameOfCall),
  ];
  return { parked, sent, atMyPhones, atColleagues, callBacks, names };
}

/** Whether anybody waits elsewhere, and takes room from what else is on the screen. */
export const useIsAnybodyElsewhere = (now: number) => useElsewhere(now).names.length > 0;

interface ElsewhereListProps {
  exceptCallId?: string;
  /** Several are one line with their names until it is opened: over a call that has the room before them. */
  isFolded?: boolean;
}

/**
 * What waits elsewhere and can be taken here: parked calls, talks at my other phones, what rings at the team; but for the call
 * that the screen is about.
 */
export function ElsewhereList({ exceptCallId, isFolded = false }: ElsewhereListProps) {
  const styles = useStyles();
  const [isOpen, setOpen] = useState(false);
  const dispatch = useAppDispatch();
  const go = useGo();
  const now = useNow();
  const deviceId = useAppSelector(selectMyDeviceId);
  const { parked, sent, atMyPhones, atColleagues, callBacks, names } = useElsewhere(now, exceptCallId);
  if (names.length === 0) return null;
  if (isFolded && names.length > 1 && !isOpen)
    return (
      <View style={styles.list} role="region" aria-label="Waiting elsewhere">
        <View style={styles.item}>
          <View style={styles.words}>
            <Txt as="strong">{`${names.length} wait elsewhere`}</Txt>
            <Txt as="small" lines={2}>
              {names.join(', ')}
            </Txt>
          </View>
          <Plate word="Show" label="Show who waits elsewhere" onPress={() => setOpen(true)} />
        </View>
      </View>
    );
  const take = async (command: Parameters<typeof send>[0]) => {
    const result = await dispatch(send(command));
    if (result?.ok) go.call();
  };
  return (
    <View style={styles.list} role="region" aria-label="Waiting elsewhere">
      {parked.map((view) => (
        <Waiting
          key={view.callId}
          slot={view.slot}
          name={view.name}
          words={`${view.isRingingBack ? 'rings back' : `parked ${formatDuration(now - view.since)}`} by ${view.byMe ? 'you' : view.byName}`}
          isPressing={now > view.ringsBackAt - 30_000}
          act="Take"
          label={`Take ${view.name} from slot ${view.slot}`}
          onPress={() => void take({ type: 'unpark', deviceId, slot: view.slot })}
        />
      ))}
      {sent.map((view) => (
        <Waiting
          key={view.callId}
          name={view.name}
          words={handedWords(view, now)}
          act="Take back"
          label={`Take back ${view.name}`}
          onPress={() => void dispatch(takeBackCall(view)).then((isBack) => isBack && go.call())}
        />
      ))}
      {atMyPhones.map((view) =>
        view.isRinging ? (
          <Waiting
            key={view.callId}
            name={view.name}
            words={`your ${view.deviceName} rings: answer it, and they are called`}
            act="Stop"
            label={`Stop calling ${view.name}`}
            onPress={() => void dispatch(send({ type: 'clear', legId: view.legId }))}
          />
        ) : (
          <Waiting
            key={view.callId}
            name={view.name}
            words={`on your ${view.deviceName}, ${formatDuration(now - view.since)}`}
            act="Bring here"
            label={`Bring here the call with ${view.name}`}
            onPress={() => void take({ type: 'move', legId: view.legId, to: { deviceId }, atOnce: true })}
          />
        ),
      )}
      {atColleagues.map((view) => (
        <Waiting
          key={view.legId}
          name={view.callerName}
          words={`rings at ${view.colleagueName}, ${formatDuration(now - view.since)}`}
          act="Pick up"
          label={`Pick up ${view.callerName} for ${view.colleagueName}`}
          onPress={() => void take({ type: 'pickUp', deviceId, legId: view.legId })}
        />
      ))}
      {callBacks.map((view) => (
        <Waiting
          key={view.id}
          name={nameOfCall(view)}
          words="busy; rings you when they are free"
          act="Stop"
          label={`Stop waiting for ${nameOfCall(view)}`}
          onPress={() => void dispatch(send({ type: 'clear', legId: view.me.legId }))}
        />
      ))}
      {isFolded && isOpen ? (
        <Plate word="Fold" label="Fold who waits elsewhere" onPress={() => setOpen(false)} />
      ) : null}
    </View>
  );
}

interface WaitingProps {
  slot?: string;
  name: string;
  words: string;
  /** It will not wait much longer. */
  isPressing?: boolean;
  act: string;
  label: string;
  onPress: () => void;
}

/** One who waits elsewhere, and the act that takes them here or lets them be. */
function Waiting({ slot, name, words, isPressing = false, act, label, onPress }: WaitingProps) {
  const styles = useStyles();
  const { colours } = useTheme();
  return (
    <View style={styles.item}>
      {slot === undefined ? null : (
        <Txt as="title" style={styles.slot}>
          {slot}
        </Txt>
      )}
      <View style={styles.words}>
        <Txt as="strong" lines={2}>
          {name}
        </Txt>
        <Txt as="small" colour={isPressing ? colours.rowan : colours.faint}>
          {words}
        </Txt>
      </View>
      <Plate word={act} label={label} onPress={onPress} />
    </View>
  );
}
