import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import {
  fitsFollowUp,
  isOverdue,
  listsOf,
  orderFollowUps,
  stillInUse,
  type FollowUp,
} from '@/core/inbox/followUps';
import {
  actDone,
  changeFollowUp,
  finishFollowUp,
  selectWrite,
  removeWork,
  selectZone,
  selectWork,
  useAppDispatch,
  useAppSelector,
  useNow,
} from '@/state/app';
import { Choice, Ticks } from '@/ui/field';
import { EmptyState } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

import { ListScreen } from '../shared/ListScreen';
import { MoreToggle } from '../shared/MoreToggle';
import { offerUndo } from '../shared/undoOffer';
import { useGo } from '../shared/useGo';
import { usePlaceCall } from '../shared/usePlaceCall';
import { FollowUpSheet } from './FollowUpSheet';
import { followUpWords } from './followUpWords';

const minuteMs = 60_000;
const everyList = '*';
const leftWords = ['Nothing is left to do.', 'One is left to do.'];

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    row: {
      gap: space.s,
      paddingVertical: space.s,
      paddingHorizontal: space.l,
      backgroundColor: colours.sheet,
      borderBottomWidth: 1,
      borderColor: colours.rule,
    },
    high: { borderLeftWidth: 4, borderLeftColor: colours.saffron },
    acts: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: space.s },
    done: { textDecorationLine: 'line-through' },
    main: { flex: 1 },
  }),
);

/** Everything the worker still means to do, in the order to do it, narrowed down by list and words. */
export function FollowUpsScreen() {
  const styles = useStyles();
  const go = useGo();
  const now = useNow(minuteMs);
  const items = useAppSelector(selectWork);
  const [list, setList] = useState<string | null>(null);
  const [words, setWords] = useState<string[]>([]);
  const [isDoneToo, setDoneToo] = useState(false);
  const [open, setOpen] = useState<FollowUp | 'new' | null>(null);
  const all = items.filter((item) => item.kind === 'followUp');
  const inUse = listsOf(all);
  const filter = stillInUse({ list, words, isDoneToo }, inUse);
  const shown = orderFollowUps(
    all.filter((each) => fitsFollowUp(each, filter)),
    now,
  );
  const recordIdOf = useRecordIds(all);
  const left = all.filter(({ doneAt }) => doneAt === null).length;
  return (
    <ListScreen
      title="Follow-ups"
      about={leftWords[left] ?? `${left} are left to do.`}
      head={
        <>
          {inUse.lists.length === 0 ? null : (
            <Choice
              asStrip
              label="List"
              value={filter.list ?? everyList}
              options={[
                { value: everyList, word: 'every list' },
                ...inUse.lists.map((name) => ({ value: name, word: name })),
              ]}
              onChoose={(value) => setList(value === everyList ? null : value)}
            />
          )}
          {inUse.words.length === 0 ? null : (
            <Ticks
              label="Only those with"
              options={inUse.words.map((word) => ({ value: word, word }))}
              chosen={[...(filter.words ?? [])]}
              onChange={setWords}
            />
          )}
          {all.length === left ? null : (
            <Plate
              word="Show what is done as well"
              pressed={isDoneToo}
              onPress={() => setDoneToo(!isDoneToo)}
            />
          )}
        </>
      }
      foot={
        <>
          <Plate kind="main" word="A new one" style={styles.main} onPress={() => setOpen('new')} />
          <Plate word="Loose ends" onPress={go.loose} />
        </>
      }
    >
      {shown.length === 0 ? (
        <EmptyState
          title={all.length === 0 ? 'Nothing to follow up' : 'None of that kind is left'}
          sentence="What you still mean to do, noted on a call or written here."
        />
      ) : null}
      <View role="list" aria-label="Follow-ups">
        {shown.map((followUp) => (
          <FollowUpRow
            key={followUp.id}
            followUp={followUp}
            recordId={recordIdOf.get(followUp.callId ?? '') ?? null}
            now={now}
            onChange={() => setOpen(followUp)}
          />
        ))}
      </View>
      {open === null ? null : (
        <FollowUpSheet followUp={open === 'new' ? null : open} onClose={() => setOpen(null)} />
      )}
    </ListScreen>
  );
}

/** The records of the calls that follow-ups came from, by the ids of the calls. */
function useRecordIds(followUps: readonly FollowUp[]): ReadonlyMap<string, string> {
  const records = useAppSelector((state) => state.history.records);
  const callIds = new Set(followUps.flatMap(({ callId }) => callId ?? []));
  if (callIds.size === 0) return new Map();
  return new Map(records.flatMap(({ callId, id }) => (callIds.has(callId) ? [[callId, id] as const] : [])));
}

interface FollowUpRowProps {
  followUp: FollowUp;
  /** Of the call it came from, where that is in the history. */
  recordId: string | null;
  now: number;
  onChange: () => void;
}

function FollowUpRow({ followUp, recordId, now, onChange }: FollowUpRowProps) {
  const write = useAppSelector(selectWrite);
  const styles = useStyles();
  const { colours } = useTheme();
  const dispatch = useAppDispatch();
  const zone = useAppSelector(selectZone);
  const go = useGo();
  const placeCall = usePlaceCall();
  const [isOpen, setOpen] = useState(false);
  const { id, text, name, number, doneAt, priority } = followUp;
  const isDone = doneAt !== null;
  const saying = (said: string, what: string, undo: () => void) => {
    dispatch(actDone(said));
    offerUndo({ said, what, undo });
  };
  const finish = () => {
    dispatch(finishFollowUp(id, !isDone));
    if (isDone) return;
    saying(`Done: ${text}`, `${text} is to be done`, () => dispatch(finishFollowUp(id, false)));
  };
  const remove = () => {
    dispatch(removeWork(id));
    saying(`Removed: ${text}`, `${text} back`, () => dispatch(changeFollowUp(followUp)));
  };
  return (
    <View role="listitem" aria-label={text} style={[styles.row, priority === 'high' && styles.high]}>
      <View>
        <Txt as="strong" style={isDone && styles.done}>
          {text}
        </Txt>
        {name === '' ? null : <Txt as="small">{name}</Txt>}
        <Txt as="small" colour={isOverdue(followUp, now) ? colours.rowan : colours.faint}>
          {followUpWords(followUp, now, zone)}
        </Txt>
      </View>
      <View style={styles.acts}>
        {number === null || isDone ? null : (
          <Plate
            kind="main"
            word="Call"
            label={`Call ${name === '' ? write(number) : name}: ${text}`}
            onPress={() => void placeCall(number)}
          />
        )}
        <Plate
          word={isDone ? 'Not done' : 'Done'}
          label={`${isDone ? 'Not done' : 'Done'}: ${text}`}
          onPress={finish}
        />
        <Plate word="Change" label={`Change: ${text}`} onPress={onChange} />
        <MoreToggle of={text} isOpen={isOpen} onToggle={() => setOpen(!isOpen)} />
      </View>
      {isOpen ? (
        <View style={styles.acts}>
          {recordId === null ? null : (
            <Plate
              word="The call"
              label={`The call it came from: ${text}`}
              onPress={() => go.record(recordId)}
            />
          )}
          <Plate word="Remove" label={`Remove: ${text}`} onPress={remove} />
        </View>
      ) : null}
    </View>
  );
}
