import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import type { AgentState } from '@/core/calls/exchange';
import { selectMyId, selectOffice, useAppDispatch, useAppSelector } from '@/state/app';
import { setMyAgentState, type QueueView } from '@/state/queues';
import { Choice, Field } from '@/ui/field';
import { Row } from '@/ui/list';
import { Initials } from '@/ui/person';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

import { RefusalLine } from '../call/sheets/RefusalLine';
import { useGo } from '../shared/useGo';
import { memberWords, myWords, waitingWords } from './queueWords';

const reasons = ['Lunch', 'Paperwork', 'On the road', 'Training'];

const states = [
  { value: 'ready', word: 'Ring me', detail: 'its calls ring at your desk phone and here' },
  { value: 'notReady', word: 'Break', detail: 'you stay signed in, and nothing rings for it' },
  {
    value: 'loggedOff',
    word: 'Signed out',
    detail: 'without anybody signed in, callers go where the team says',
  },
] as const;

/** How the worker takes calls of one team, by one tap each; and how the others stand, to write to or call. */
export function QueueSheet({ queue, at, onClose }: { queue: QueueView; at: number; onClose: () => void }) {
  const dispatch = useAppDispatch();
  const go = useGo();
  const { team, now } = queue;
  const office = useAppSelector(selectOffice);
  const myId = useAppSelector(selectMyId);
  const said = useAppSelector((state) =>
    state.office.agents.find(({ teamId, personId }) => teamId === team.id && personId === myId),
  );
  const state = said?.state ?? 'ready';
  const [word, setWord] = useState('');
  const me = now.members.find(({ personId }) => personId === myId);
  const choose = (next: AgentState, reason = '') => {
    const done = {
      ready: `Calls for ${team.name} ring at yours.`,
      notReady: `On a break${reason === '' ? '' : `: ${reason}`}. Nothing rings for ${team.name} until you end it.`,
      loggedOff: `You are signed out of ${team.name}.`,
    };
    void dispatch(setMyAgentState(team.id, next, reason, done[next]));
  };
  return (
    <Sheet title={`Calls for ${team.name}`} onClose={onClose}>
      <View style={styles.stack}>
        <Txt>{`${me ? myWords(me, at) : ''}; ${waitingWords(now, at)}.`}</Txt>
        <Choice
          label={`How you take calls for ${team.name}`}
          value={state}
          options={states}
          onChoose={(next) => choose(next)}
        />
        {me?.now === 'wrapUp' ? (
          <Plate word="Done, ring me again" kind="main" onPress={() => choose('ready')} />
        ) : null}
        {state === 'notReady' ? (
          <>
            <Choice
              asStrip
              label="Why, for the others"
              value={reasons.includes(said?.reason ?? '') ? (said?.reason ?? '') : ''}
              options={reasons.map((reason) => ({ value: reason, word: reason }))}
              onChoose={(reason) => choose('notReady', reason)}
            />
            <Field
              label="Or in your own words, then Enter"
              value={word}
              onChange={(typed) => setWord(typed.slice(0, 60))}
              onSubmit={() => choose('notReady', word)}
            />
          </>
        ) : null}
        <RefusalLine />
        <Txt as="heading" level={2}>
          The others
        </Txt>
        <View>
          {now.members
            .filter(({ personId }) => personId !== myId)
            .map((member) => {
              const name = office.people.get(member.personId)?.name ?? 'Somebody';
              return (
                <Row
                  key={member.personId}
                  title={name}
                  detail={memberWords(member, at)}
                  before={<Initials name={name} />}
                  onPress={() => {
                    onClose();
                    go.person(`person:${member.personId}`);
                  }}
                />
              );
            })}
        </View>
      </View>
    </Sheet>
  );
}

const styles = StyleSheet.create({ stack: { gap: space.m } });
