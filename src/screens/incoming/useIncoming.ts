import { decidingStep, describeStep, describeSteps, triesToday } from '@/core/calls/history';
import { newestWords, whyWords } from '@/core/inbox/looseEnds';
import { describeFinish } from '@/core/setup';
import type { TraceLeg } from '@/core/plans/routing';
import { formatDuration } from '@/core/shared/time';
import {
  selectWrite,
  nameOfCall,
  selectEndOf,
  selectNames,
  selectTextNumber,
  selectZone,
  send,
  silence,
  useAppDispatch,
  useAppSelector,
  useNow,
  type CallView,
  type Names,
} from '@/state/app';
import type { RingTrack } from '@/ui/scale';

import { shortTargetName } from '../shared/targetWords';
import { useGoToCall } from '../shared/useGoToCall';
import {
  forWords,
  pressedWords,
  queuedWords,
  refusalWords,
  returnedWords,
  triesWords,
} from './incomingWords';

/** All that an incoming call's screen shows, and what can be done with it. */
export function useIncoming(view: CallView) {
  const write = useAppSelector(selectWrite);
  const dispatch = useAppDispatch();
  const goToCall = useGoToCall();
  const now = useNow();
  const names = useAppSelector(selectNames);
  const zone = useAppSelector(selectZone);
  const records = useAppSelector((state) => state.history.records);
  const isSilenced = useAppSelector((state) => state.calls.silenced.includes(view.id));
  const { office } = names;
  const { call } = view;
  const [caller] = view.others;
  const isSeveral = view.others.length > 1;
  const number = caller?.number ?? null;
  const end = useAppSelector((state) => selectEndOf(state, keyOf(number, names)));
  const canText = useAppSelector((state) => selectTextNumber(state, number) !== null);
  const { legId } = view.me;
  const leg = call.legs.find(({ id }) => id === legId);
  const myId = office.ownerOf(deviceOf(view))?.id ?? '';
  const isOwnCall = leg?.role === 'caller';
  const trace = call.ringing?.trace;
  const deciding = trace && decidingStep(trace);
  const name = nameOfCall(view);
  const forWhom = isOwnCall ? null : forWords(call.ringing?.trace, myId, office);

  return {
    name,
    /** Role, firm, or what else tells who that is; several have none. */
    detail: isSeveral || caller?.detail === undefined ? '' : caller.detail,
    number: number === null || isSeveral ? null : write(number),
    lineName: view.line?.name ?? (forWhom === null ? 'Your extension' : 'Their extension'),
    lineNumber: view.line ? write(view.line.number) : null,
    rungFor: formatDuration(now - call.startedAt),
    /** Why it rings here although nobody calls this device. */
    returned: returnedWords(call, isOwnCall, name, names),
    /** What the caller did to get here, and how often they tried. */
    facts: [
      forWhom,
      pressedWords(call, office),
      queuedWords(call, office, now),
      isOwnCall || call.returned ? null : triesWords(triesToday(records, number, now, zone), now),
    ].filter((fact) => fact !== null),
    /** Why they wait among the loose ends, and their newest words. */
    end: end && { why: whyWords(end, office, now), words: newestWords(end) },
    tracks: tracksOf(view, now, (planned) => shortTargetName(planned, office, myId)),
    totalSeconds: trace?.finishSeconds ?? 0,
    nowSeconds: (now - (call.ringing?.startedAt ?? now)) / 1000,
    finish: trace ? describeFinish(trace.finish, office, myId) : '',
    /** The one reason that decided, and all that was looked at. */
    deciding: deciding ? describeStep(deciding, office) : null,
    why: trace ? describeSteps(trace, office) : [],
    refusal: leg ? refusalWords(call, leg, now, office) : '',
    /** Nobody calls: it was asked for, and only lifted or let be. */
    isOwnCall,
    isSilenced,
    /** What a refusal can be followed by: words, where their number takes texts; else a reminder, where they have one. */
    afterRefusal: afterRefusal(canText, number),
    answer: async (activeCall: 'hold' | 'clear' = 'hold') => {
      const result = await dispatch(send({ type: 'answer', legId, activeCall }));
      if (result?.ok) goToCall();
    },
    refuse: () => void dispatch(send({ type: 'refuse', legId })),
    silence: () => dispatch(silence(view.id)),
  };
}

function afterRefusal(canText: boolean, number: string | null): 'text' | 'remind' | null {
  if (canText) return 'text';
  return number === null ? null : 'remind';
}

export type Incoming = ReturnType<typeof useIncoming>;

function keyOf(number: string | null, { people }: Names): string {
  const known = people.whoHas(number);
  if (!known) return `number:${number ?? ''}`;
  return `${known.kind === 'contact' ? 'contact' : 'person'}:${known.id}`;
}

function deviceOf(view: CallView): string {
  const mine = view.call.legs.find(({ id }) => id === view.me.legId);
  return mine?.endpoint.kind === 'device' ? mine.endpoint.deviceId : '';
}

function tracksOf(view: CallView, now: number, nameOf: (leg: TraceLeg) => string): RingTrack[] {
  const { ringing, legs } = view.call;
  if (!ringing) return [];
  const elapsed = (now - ringing.startedAt) / 1000;
  return ringing.trace.legs.map((traceLeg, index) => {
    const leg = legs.find(({ id }) => id === ringing.progress[index]);
    const isOver = ringing.progress[index] === 'skipped' || leg?.state === 'cleared';
    return {
      key: `${traceLeg.stage} ${traceLeg.deviceId ?? traceLeg.number}`,
      label: nameOf(traceLeg),
      fromSeconds: traceLeg.fromSeconds,
      toSeconds: traceLeg.toSeconds,
      state: isOver ? 'over' : traceLeg.fromSeconds <= elapsed ? 'on' : 'toCome',
    };
  });
}
