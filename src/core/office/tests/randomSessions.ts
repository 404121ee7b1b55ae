import fc from 'fast-check';

import { isLive, type Call, type Command, type Leg } from '@/core/calls/exchange';
import { type Exchange } from '@/core/calls/exchange/machine';
import { checkExchange, must } from '@/core/calls/exchange/tests/invariants';
import {
  openRandomOffice,
  randomSetup,
  steps,
  take,
  type Step,
} from '@/core/calls/exchange/tests/randomOffice';
import { type OfficeSeen, type Session } from '..';
import { may, sightOf, viewOfCall } from '../machine';

/** For the tests and the bench: three members and a simulator ask at random, as who they are and as who they are not. */

const member = (personId: string, deviceId: string): Session => ({
  id: deviceId,
  personId,
  deviceId,
  roles: ['member'],
});
/** p0 and p2 are of one team; p1 is of another, whose calls wait. */
export const members = [member('p0', 'p0-app'), member('p1', 'p1-desk'), member('p2', 'p2-desk')];
export const simulator: Session = {
  id: 'outside',
  personId: null,
  deviceId: null,
  roles: ['simulator', 'network'],
};
const sessions = [...members, simulator];
const devicesInUse = new Set(members.flatMap(({ deviceId }) => deviceId ?? []));
const ownerOf = new Map(randomSetup().devices.map(({ id, personId }) => [id, personId]));
const { teams } = randomSetup();

export const seenOf = (exchange: Exchange): OfficeSeen => ({
  office: exchange.office,
  calls: exchange.calls,
  legOf: (id) => exchange.legOf(id),
  devicesInUse,
});

/** Whose a leg is, asked in another way than the rights and the views do. */
const personAt = ({ endpoint, personId }: Leg) =>
  endpoint.kind === 'device'
    ? (ownerOf.get(endpoint.deviceId) ?? personId)
    : endpoint.kind === 'mailbox'
      ? endpoint.personId
      : personId;

type Standing = Pick<Leg, 'state' | 'muted' | 'digitsSent'>;

/** What only an act of one's own can make of a leg: somebody lifts, holds, mutes, is calling. */
const touched = (before: Standing | undefined, now: Leg) =>
  before === undefined
    ? now.role === 'caller' && now.broughtFor === 'call'
    : (before.state === 'alerting' && now.state === 'connected') ||
      (before.state !== 'held' && now.state === 'held') ||
      before.muted !== now.muted ||
      before.digitsSent !== now.digitsSent;

function* deviceLegs(exchange: Exchange) {
  for (const { legs } of exchange.calls.values())
    for (const leg of legs)
      if (leg.endpoint.kind === 'device') yield { leg, deviceId: leg.endpoint.deviceId };
}

function standings(exchange: Exchange): ReadonlyMap<string, Standing> {
  const found = new Map<string, Standing>();
  for (const { leg } of deviceLegs(exchange)) {
    const { id, state, muted, digitsSent } = leg;
    found.set(id, { state, muted, digitsSent });
  }
  return found;
}

function checkActs(
  asker: Session,
  asked: Command,
  before: ReadonlyMap<string, Standing>,
  exchange: Exchange,
) {
  for (const { leg, deviceId } of deviceLegs(exchange)) {
    if (!touched(before.get(leg.id), leg)) continue;
    const owner = personAt(leg);
    const isTheirs = asker.personId !== null && (owner === asker.personId || leg.personId === asker.personId);
    // Whoever plays the phones outside plays all that no app is signed in for.
    const isPlayed = asker === simulator && !devicesInUse.has(deviceId);
    must(isTheirs || isPlayed, `${asker.id} touches ${deviceId} by ${asked.type}`);
  }
}

const tracesOf = ({ earlierTraces, ringing }: Call) => [
  ...earlierTraces,
  ...(ringing ? [ringing.trace] : []),
];

const isPartOf = (personId: string, call: Call) =>
  call.parked !== null ||
  call.handedOver?.byId === personId ||
  call.comesBackTo?.personId === personId ||
  tracesOf(call).some(({ ownerId }) => ownerId === personId) ||
  call.legs.some(
    (leg) =>
      leg.personId === personId ||
      personAt(leg) === personId ||
      teams.some(
        ({ id, memberIds }) =>
          memberIds.includes(personId) &&
          ((leg.state === 'alerting' && memberIds.includes(personAt(leg) ?? '')) ||
            (leg.state === 'queued' && leg.endpoint.kind === 'queue' && leg.endpoint.teamId === id)),
      ),
  );

function checkViews(exchange: Exchange) {
  for (const session of members) {
    const personId = session.personId ?? '';
    for (const call of exchange.calls.values()) {
      const view = viewOfCall(session, call, exchange.office, sightOf(session, call, exchange.office));
      for (const leg of view.legs) {
        const isOwn = leg.personId === personId || personAt(leg) === personId;
        must(isOwn || leg.digitsSent === '', `${session.id} sees what ${leg.id} typed`);
      }
      const isInvited =
        call.invitation?.toPersonId === personId ||
        call.legs.some((leg) => leg.id === call.invitation?.legId && leg.personId === personId);
      must(view.invitation === null || isInvited, `${session.id} sees a code that is not for them`);
      for (const { ownerId, steps } of tracesOf(view))
        must(
          ownerId === personId || !exchange.office.people.has(ownerId) || steps.length === 0,
          `${session.id} sees by which rules of ${ownerId} ${call.id} goes`,
        );
      for (const { personId: whose, pieces } of view.recordings)
        must(whose === personId || pieces.length === 0, `${session.id} sees another’s recording`);
      if (isPartOf(personId, call)) continue;
      must(!/\+44|"name":"[^"]/.test(JSON.stringify(view)), `${session.id} sees who is in ${call.id}`);
      must(view.ringing === null && view.acts.length === 0, `${session.id} sees why ${call.id} rings`);
    }
  }
}

/** Who asks for each step, besides the step itself. */
export const asks = fc.tuple(steps, fc.array(fc.nat(sessions.length - 1), { minLength: 60, maxLength: 60 }));

/** Runs so many sequences, and checks after each request that nobody changed what is not theirs, and after some that nobody sees it. */
export function checkSessions(numRuns: number): void {
  fc.assert(
    fc.property(asks, ([taken, askers]) => {
      const exchange = openRandomOffice();
      taken.forEach((step, at) => {
        const asker = sessions[askers[at] ?? 0] ?? simulator;
        askOne(exchange, step, asker);
        if (at % 4 === 3) checkViews(exchange);
      });
      checkExchange(exchange);
      must(
        [...exchange.calls.values()].every(({ legs }) => legs.some(isLive)),
        'no call without anybody',
      );
    }),
    { numRuns },
  );
}

function askOne(exchange: Exchange, step: Step, asker: Session) {
  exchange.advance(exchange.now + step.afterMs);
  // What a step asks is known only once it is aimed at the calls there are: on its way it is asked whose it is.
  const guarded = Object.create(exchange) as Exchange;
  guarded.advance = (to) => exchange.advance(to);
  guarded.send = (command, at) => {
    const denial = may(asker, command, seenOf(exchange));
    if (denial) return { result: { ok: false, reason: denial }, events: [] };
    const before = standings(exchange);
    const sent = exchange.send(command, at);
    checkActs(asker, command, before, exchange);
    return sent;
  };
  take(guarded, { ...step, afterMs: 0 });
}
