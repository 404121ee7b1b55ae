import TinyQueue from 'tinyqueue';

import { Exchange } from '@/core/calls/exchange/machine';
import { seeded } from '@/core/shared/random';
import { emptyOffice, plainQueue, type OfficeSetup } from '@/core/setup';
import type { Traffic } from '../erlang';

/** For the tests: a mean with half of its 99 % interval, by batch means. */
interface Estimate {
  mean: number;
  halfWidth: number;
}

type Happening = { at: number } & (
  { kind: 'comes' } | { kind: 'givesUp'; legId: string; callId: string } | { kind: 'hangsUp'; legId: string }
);

const batches = 20;
/** Of Student's t with 19 degrees of freedom, two-sided at 99 %. */
const studentsT = 2.861;

/** For the tests: calls by that traffic to an exchange with a queue of so many members, who lift at once. Exponential times, seeded. */
export function simulate(
  { callsPerHour, handleSeconds, patienceSeconds }: Traffic,
  members: number,
  withinSeconds: number,
  { calls, seed }: { calls: number; seed: number },
): { inTime: Estimate; gaveUp: Estimate } {
  const random = seeded(seed);
  const exponential = (mean: number) => -Math.log(1 - random()) * mean * 1000;
  const exchange = new Exchange(officeWith(members));
  for (let index = 0; index < members; index++)
    exchange.send({ type: 'signIn', deviceId: `p${index}-desk` }, 0);
  const happenings = new TinyQueue<Happening>([], (a, b) => a.at - b.at);
  const arrived = new Map<string, number>();
  const outcomes: { inTime: boolean; gaveUp: boolean }[] = [];
  let come = 0;

  /** Whoever is rung lifts at once, and talks as long as it takes. */
  const liftAll = (at: number) => {
    for (let index = 0; index < members; index++)
      for (const leg of [...exchange.legsAt(`p${index}-desk`)]) {
        if (leg.state !== 'alerting') continue;
        const { callId } = leg;
        exchange.send({ type: 'answer', legId: leg.id }, at);
        happenings.push({ at: at + exponential(handleSeconds), kind: 'hangsUp', legId: leg.id });
        outcomes.push({ inTime: at - (arrived.get(callId) ?? 0) <= withinSeconds * 1000, gaveUp: false });
      }
  };

  happenings.push({ at: 0, kind: 'comes' });
  for (let next = happenings.pop(); next && outcomes.length < calls; next = happenings.pop()) {
    const at = Math.round(next.at);
    if (next.kind === 'comes') {
      const from = { kind: 'outside', number: null, name: null } as const;
      const { result } = exchange.send({ type: 'make', from, to: '250' }, at);
      if (!result.ok) throw new Error(result.reason.code);
      const { callId = '', legId = '' } = result;
      arrived.set(callId, at);
      come++;
      if (patienceSeconds !== null)
        happenings.push({ at: at + exponential(patienceSeconds), kind: 'givesUp', legId, callId });
      if (come < calls * 2) happenings.push({ at: at + exponential(3600 / callsPerHour), kind: 'comes' });
    } else if (next.kind === 'hangsUp') exchange.send({ type: 'clear', legId: next.legId }, at);
    else if (exchange.calls.get(next.callId)?.queued) {
      exchange.send({ type: 'clear', legId: next.legId }, at);
      outcomes.push({ inTime: false, gaveUp: true });
    }
    liftAll(at);
  }
  return {
    inTime: estimate(outcomes.map(({ inTime }) => Number(inTime))),
    gaveUp: estimate(outcomes.map(({ gaveUp }) => Number(gaveUp))),
  };
}

function estimate(values: readonly number[]): Estimate {
  const size = Math.floor(values.length / batches);
  const means = Array.from({ length: batches }, (_, batch) =>
    meanOf(values.slice(batch * size, (batch + 1) * size)),
  );
  const mean = meanOf(means);
  const variance = means.reduce((sum, each) => sum + (each - mean) ** 2, 0) / (batches - 1);
  return { mean, halfWidth: studentsT * Math.sqrt(variance / batches) };
}

const meanOf = (values: readonly number[]) => values.reduce((sum, each) => sum + each, 0) / values.length;

function officeWith(members: number): OfficeSetup {
  const ids = Array.from({ length: members }, (_, index) => `p${index}`);
  return {
    ...emptyOffice,
    people: ids.map((id, index) => ({
      id,
      name: id,
      role: '',
      extension: String(201 + index),
      presentedLineId: '',
    })),
    devices: ids.map((id) => ({ id: `${id}-desk`, personId: id, kind: 'desk', name: 'desk', callLimit: 2 })),
    teams: [
      {
        ...{ id: 'queue', name: 'Queue', extension: '250', memberIds: ids },
        queue: { ...plainQueue, wrapUpSeconds: 0, mostWaiting: 500, longestWaitSeconds: 7200 },
      },
    ],
  };
}
