import { describeSteps, triesToday } from '@/core/history';
import { describeFinish } from '@/core/office';
import type { TraceLeg } from '@/core/routing';
import { formatDuration, formatSpan } from '@/core/time';
import {
  formatAny,
  selectOffice,
  selectZone,
  send,
  silence,
  useAppDispatch,
  useAppSelector,
  useNow,
  type CallView,
} from '@/state/app';
import type { RingTrack } from '@/ui/scale';

import { useGo } from '../shared/useGo';
import { shortTargetName } from '../shared/targetWords';

/** All that an incoming call's screen shows, and what can be done with it. */
export function useIncoming(view: CallView) {
  const dispatch = useAppDispatch();
  const go = useGo();
  const now = useNow();
  const office = useAppSelector(selectOffice);
  const zone = useAppSelector(selectZone);
  const records = useAppSelector((state) => state.history.records);
  const isSilenced = useAppSelector((state) => state.calls.silenced.includes(view.id));
  const [caller] = view.others;
  const number = caller?.number ?? null;
  const tries = triesToday(records, number, now, zone);
  const { legId } = view.me;
  const finish = view.call.ringing?.trace.finish;

  return {
    name: caller?.name ?? 'Somebody',
    detail: caller?.detail ?? '',
    number: number === null ? null : formatAny(number),
    lineName: view.line?.name ?? 'Your extension',
    lineNumber: view.line ? formatAny(view.line.number) : null,
    rungFor: formatDuration(now - view.call.startedAt),
    tries:
      tries.count === 0 || tries.lastAt === null
        ? null
        : `${ordinal(tries.count + 1)} try today, last ${formatSpan(now - tries.lastAt)} ago`,
    tracks: tracksOf(view, now, (leg) =>
      shortTargetName(leg, office, office.ownerOf(deviceOf(view))?.id ?? ''),
    ),
    totalSeconds: view.call.ringing?.trace.finishSeconds ?? 0,
    nowSeconds: (now - (view.call.ringing?.startedAt ?? now)) / 1000,
    finish: finish ? describeFinish(finish, office, office.ownerOf(deviceOf(view))?.id) : '',
    /** What the routing decided, and why. */
    why: view.call.ringing ? describeSteps(view.call.ringing.trace, office) : [],
    isSilenced,
    answer: async (activeCall: 'hold' | 'clear' = 'hold') => {
      const result = await dispatch(send({ type: 'answer', legId, activeCall }));
      if (result?.ok) go.call();
    },
    returnedWords: returnedWords(view),
    refuse: () => void dispatch(send({ type: 'refuse', legId })),
    silence: () => dispatch(silence(view.id)),
  };
}

/** Why it rings here although nobody called this device: it came back, or the busy one is free. */
function returnedWords({ call, me, others }: CallView): string | null {
  if (call.returned?.why === 'transfer') return 'Comes back: nobody took it where you sent it.';
  if (call.returned?.why === 'park') return 'Comes back: nobody took it from its slot.';
  const isOwnCall = call.legs.some(({ id, role }) => id === me.legId && role === 'caller');
  return isOwnCall ? `${others[0]?.name ?? 'They'} can be reached now. Answer, and they are called.` : null;
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

function ordinal(count: number): string {
  const suffix =
    count % 100 >= 11 && count % 100 <= 13 ? 'th' : (['th', 'st', 'nd', 'rd'][count % 10] ?? 'th');
  return `${count}${suffix}`;
}
