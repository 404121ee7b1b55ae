import type { OfficeIndex } from '@/core/setup';
import type { Caller } from '@/core/plans/routing';
import type { RouteTrace, TraceLeg } from '@/core/plans/routing';
import { traceCall } from '@/core/plans/routing';

/** A phone that somebody is known to have been at, and how soon they lift it. */
export interface PresentAt {
  deviceId: string;
  reactionSeconds: number;
}

/** A call to one person as the history has it, with where everybody was then. */
export interface PastCall {
  id: string;
  /** Epoch milliseconds. */
  at: number;
  lineId: string | null;
  caller: Caller;
  situationId: string | null;
  /** How long the caller waited for an answer. */
  waitedSeconds: number;
  /** They did not leave, but reached the finish: so they would have waited as long as it takes. */
  reachedFinish: boolean;
  /** Who took it, on which device, or number, after how many seconds of its ringing. */
  answered: { deviceId: string | null; number: string | null; afterSeconds: number } | null;
  /** Of those whose whereabouts are known from the calls around this one. */
  presentAt: readonly PresentAt[];
  isOnCall: boolean;
}

export const pastOutcomes = ['taken', 'takenByOther', 'finish', 'left'] as const;
/** `taken` by the plan's owner; `left`: the caller hung up while it rang. */
export type PastOutcome = (typeof pastOutcomes)[number];

export interface PastResult {
  outcome: PastOutcome;
  /** What took it, or null. */
  deviceId: string | null;
  number: string | null;
  seconds: number;
}

export interface Difference {
  call: PastCall;
  before: PastResult;
  after: PastResult;
}

export interface LookBack {
  total: number;
  before: Record<PastOutcome, number>;
  after: Record<PastOutcome, number>;
  /** Calls that would have rung at a mobile or a number outside, and those that did by the plan compared with. */
  atMobile: { before: number; after: number };
  /** Newest first. */
  differences: Difference[];
}

export interface LookBackOptions {
  /** Hears of progress now and then, 0 to 1; returning false stops it. */
  onProgress?: (share: number) => boolean | void;
}

const progressEvery = 2000;
const none = (): Record<PastOutcome, number> => ({ taken: 0, takenByOther: 0, finish: 0, left: 0 });

/**
 * A changed plan applied to past calls. Each is traced at its instant with the caller, line, situation and calls of
 * then. Whoever took the call in fact takes it again as soon after their phone begins to ring; a phone that did not
 * ring then is answered where its owner is known to have been at it; nobody else answers. A caller leaves when they
 * left in fact, and one who reached the finish waits for it.
 *
 * `before` is by the plan of `inForce`, from the same rules, so that the two can be compared; what really happened
 * wins where that plan agrees with what rang then. null where it was stopped.
 */
export function lookBack(
  inForce: OfficeIndex,
  changed: OfficeIndex,
  personId: string,
  calls: readonly PastCall[],
  { onProgress }: LookBackOptions = {},
): LookBack | null {
  const offices = [inForce.asPlanned(), changed.asPlanned()];
  const tries = triesOf(calls);
  const result: LookBack = {
    total: calls.length,
    before: none(),
    after: none(),
    atMobile: { before: 0, after: 0 },
    differences: [],
  };
  for (const [index, call] of calls.entries()) {
    if (index % progressEvery === 0 && onProgress?.(index / calls.length) === false) return null;
    const [before, after] = offices.map((office, which) => {
      const trace = traceAsThen(office, personId, call, tries);
      if (trace.legs.some((leg) => isMobile(leg, office)))
        result.atMobile[which === 0 ? 'before' : 'after']++;
      return resultOf(trace, call, personId);
    }) as [PastResult, PastResult];
    result.before[before.outcome]++;
    result.after[after.outcome]++;
    if (before.outcome !== after.outcome || before.deviceId !== after.deviceId)
      result.differences.push({ call, before, after });
  }
  result.differences.sort((a, b) => b.call.at - a.call.at);
  onProgress?.(1);
  return result;
}

type Tries = ReadonlyMap<string, readonly number[]>;

function triesOf(calls: readonly PastCall[]): Tries {
  const tries = new Map<string, number[]>();
  for (const { at, caller } of calls) {
    if (caller.number === null) continue;
    const own = tries.get(caller.number);
    if (own) own.push(at);
    else tries.set(caller.number, [at]);
  }
  for (const own of tries.values()) own.sort((a, b) => a - b);
  return tries;
}

function traceAsThen(office: OfficeIndex, ownerId: string, call: PastCall, tries: Tries): RouteTrace {
  const { at, lineId, caller, situationId, isOnCall } = call;
  return traceCall(
    office,
    { ownerId, lineId, caller },
    {
      at,
      isSignedIn: () => true,
      isBusy: (deviceId) =>
        isOnCall && office.devices.get(deviceId)?.callLimit === 1 && office.ownerOf(deviceId)?.id === ownerId,
      isOnCall: (personId) => personId === ownerId && isOnCall,
      triesWithin: (number, minutes) => countWithin(tries.get(number) ?? [], at, minutes),
      calledSituation: situationId,
    },
  );
}

/** How many of the times, in order, lie in the minutes before an instant. */
function countWithin(times: readonly number[], at: number, minutes: number): number {
  let low = 0;
  let high = times.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((times[middle] ?? 0) < at) low = middle + 1;
    else high = middle;
  }
  let count = 0;
  while (low - count > 0 && (times[low - count - 1] ?? 0) >= at - minutes * 60_000) count++;
  return count;
}

function resultOf(trace: RouteTrace, call: PastCall, personId: string): PastResult {
  const patience = call.answered || call.reachedFinish ? Infinity : call.waitedSeconds;
  let best: { leg: TraceLeg; at: number } | null = null;
  for (const leg of trace.legs) {
    const reaction = reactionAt(leg, call, personId);
    if (reaction === null) continue;
    const at = leg.fromSeconds + reaction;
    if (at < leg.toSeconds && at <= patience && (!best || at < best.at)) best = { leg, at };
  }
  if (best) {
    const { deviceId, number, personId: ownerId } = best.leg;
    const outcome = ownerId === personId || ownerId === null ? 'taken' : 'takenByOther';
    return { outcome, deviceId, number, seconds: best.at };
  }
  const hasLeft = patience < trace.finishSeconds;
  const seconds = Math.min(patience, trace.finishSeconds);
  return { outcome: hasLeft ? 'left' : 'finish', deviceId: null, number: null, seconds };
}

/** How soon this leg would have been answered; null where nothing is known of anybody at it. */
function reactionAt(
  { deviceId, number, personId }: TraceLeg,
  call: PastCall,
  ownerId: string,
): number | null {
  const { answered } = call;
  if (answered && answered.deviceId === deviceId && answered.number === number) return answered.afterSeconds;
  if (call.isOnCall && personId === ownerId) return null;
  return call.presentAt.find((present) => present.deviceId === deviceId)?.reactionSeconds ?? null;
}

function isMobile({ deviceId }: TraceLeg, office: OfficeIndex): boolean {
  return deviceId === null || office.devices.get(deviceId)?.kind === 'mobile';
}
