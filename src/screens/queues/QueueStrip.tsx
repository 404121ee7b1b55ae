import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import type { Call } from '@/core/calls/exchange';
import { formatDuration } from '@/core/shared/time';
import {
  identifyEndpoint,
  selectMyId,
  selectNames,
  useAppDispatch,
  useAppSelector,
  useNow,
} from '@/state/app';
import { selectMyQueues, takeWaiting, type QueueView } from '@/state/queues';
import { CordEdge } from '@/ui/cord';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';

import { useGo } from '../shared/useGo';
import { myWords, waitingWords } from './queueWords';
import { QueueSheet } from './QueueSheet';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    team: { backgroundColor: colours.sheet, borderBottomWidth: 1, borderColor: colours.ink },
    head: {
      flexDirection: 'row',
      flexWrap: 'wrap',
      alignItems: 'center',
      gap: space.m,
      paddingHorizontal: space.l,
      paddingVertical: space.s,
    },
    words: { flexGrow: 1, flexShrink: 1, flexBasis: 180, minWidth: 0 },
    caller: { flexDirection: 'row', borderTopWidth: 1, borderColor: colours.rule },
    body: {
      flex: 1,
      minWidth: 0,
      flexDirection: 'row',
      flexWrap: 'wrap',
      alignItems: 'center',
      gap: space.m,
      paddingHorizontal: space.m,
      paddingVertical: space.s,
    },
  }),
);

/** The queues of the worker's teams: how they stand to each, and who waits in it now, to be taken. Nothing where there is none. */
export function QueueStrip() {
  const now = useNow(1000);
  const queues = useAppSelector((state) => selectMyQueues(state, now));
  const [openId, setOpenId] = useState<string | null>(null);
  const opened = queues.find(({ team }) => team.id === openId);
  return (
    <>
      {queues.map((queue) => (
        <TeamQueue key={queue.team.id} queue={queue} at={now} onOpen={() => setOpenId(queue.team.id)} />
      ))}
      {opened ? <QueueSheet queue={opened} at={now} onClose={() => setOpenId(null)} /> : null}
    </>
  );
}

function TeamQueue({ queue, at, onOpen }: { queue: QueueView; at: number; onOpen: () => void }) {
  const styles = useStyles();
  const { team, now } = queue;
  const myId = useAppSelector(selectMyId);
  const me = now.members.find(({ personId }) => personId === myId);
  const isIn = me !== undefined && me.now !== 'signedOut';
  return (
    <View style={styles.team} role="region" aria-label={`Calls for ${team.name}`}>
      <View style={styles.head}>
        <View style={styles.words}>
          <Txt as="strong">{`${team.name}: ${waitingWords(now, at)}`}</Txt>
          <Txt as="small">{me ? myWords(me, at) : ''}</Txt>
        </View>
        <Plate word="Change" label={`Change how you take calls for ${team.name}`} onPress={onOpen} />
      </View>
      {isIn && now.waiting.length > 0 ? (
        <View role="list" aria-label={`Who waits for ${team.name}`}>
          {now.waiting.map((call, index) => (
            <Waiting key={call.id} call={call} place={index + 1} at={at} />
          ))}
        </View>
      ) : null}
    </View>
  );
}

/** One who waits: who, on which line, how long. A tap takes them. */
function Waiting({ call, place, at }: { call: Call; place: number; at: number }) {
  const styles = useStyles();
  const dispatch = useAppDispatch();
  const go = useGo();
  const names = useAppSelector(selectNames);
  const caller = call.legs.find(({ role }) => role === 'caller');
  const name = caller ? identifyEndpoint(caller, call, names).name : 'Somebody';
  const line = names.office.lines.get(call.lineId ?? '');
  const isGone = call.queued?.callBackTo != null;
  const since = formatDuration(at - (call.queued?.since ?? at));
  const offered = (call.queued?.offeredTo ?? []).map(
    (id) => names.office.people.get(id)?.name.split(' ')[0] ?? '',
  );
  const rings = offered.length === 0 ? '' : ` · rings at ${offered.join(', ')}`;
  const take = async () => {
    if (await dispatch(takeWaiting(call.id))) go.call();
  };
  return (
    <View style={styles.caller} role="listitem" aria-label={name}>
      <CordEdge cord={line?.cord ?? null} width={7} />
      <View style={styles.body}>
        <View style={styles.words}>
          <Txt as="strong" lines={2}>
            {`${place}. ${name}`}
          </Txt>
          <Txt as="small">
            {`${line?.name ?? 'Your extension'} · ${isGone ? 'waits to be called back, ' : ''}${since}${rings}`}
          </Txt>
        </View>
        <Plate
          word={isGone ? 'Call back now' : 'Take'}
          label={isGone ? `Call ${name} back now` : `Take ${name}`}
          kind="answer"
          onPress={() => void take()}
        />
      </View>
    </View>
  );
}
