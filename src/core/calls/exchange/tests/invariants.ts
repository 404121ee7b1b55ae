import { meetingLimits } from '../../meetings';
import { attendingOf, hostsOf } from '../attending';
import { picturePaths } from '../picturePaths';
import { isLive, isOpenRoom, isPending, isTalking, type Call } from '../call';
import type { ExchangeEvent } from '../events';
import type { Exchange } from '../Exchange';
import { isPassing } from '../queueing';
import { isAudible, whatIsHeard } from '../audioPaths';
import { voicePaths } from '../voicePaths';
import { limits } from '../limits';

/** For the tests and the bench: what must hold at every moment, whatever was done. Throws with the rule's name. */
export function must(holds: boolean | undefined, rule: string): void {
  if (!holds) throw new Error(`Broken: ${rule}`);
}

export function checkExchange(exchange: Exchange): void {
  const talkingDevices = new Set<string>();
  const slots = new Set<string>();
  const codes = new Set<string>();
  let earliest: number | null = null;
  for (const call of exchange.calls.values()) {
    checkCall(call);
    for (const timer of call.timers) {
      must(timer.at >= exchange.now, 'a timer is still to come');
      earliest = earliest === null ? timer.at : Math.min(earliest, timer.at);
    }
    for (const leg of call.legs) {
      if (leg.state !== 'connected' || leg.endpoint.kind !== 'device') continue;
      must(!talkingDevices.has(leg.endpoint.deviceId), 'a device talks on one call');
      talkingDevices.add(leg.endpoint.deviceId);
    }
    if (call.parked) {
      must(!slots.has(call.parked.slot), 'a slot holds one call');
      slots.add(call.parked.slot);
    }
    if (call.invitation) {
      must(!codes.has(call.invitation.code), 'a code leads to one call');
      codes.add(call.invitation.code);
    }
  }
  checkQueues(exchange);
  const next = exchange.nextTimerAt();
  const isLook = [...exchange.calls.values()].some(({ queued }) => queued !== null) && next !== null;
  must(
    next === earliest || (isLook && next > exchange.now && next < (earliest ?? Infinity)),
    'no timer survives its call, and none is lost',
  );
}

/** Nobody waits while somebody could take them; of those who wait, whoever came first is asked for first. */
function checkQueues(exchange: Exchange): void {
  for (const { id, name, ...team } of exchange.setup.teams) {
    const { calls, free } = exchange.queueOf(id);
    must(team.queue !== undefined || calls.length === 0, `${name} has a queue where somebody waits in it`);
    calls.forEach((call, index) => {
      const { queued } = call;
      must(queued?.teamId === id, 'who waits is in the queue they wait in');
      must((calls[index - 1]?.queued?.ticket ?? 0) < (queued?.ticket ?? 0), 'who came first is first');
      const leg = call.legs.find(({ id: legId }) => legId === queued?.legId);
      must(leg?.state === 'queued' && leg.endpoint.kind === 'queue', 'who waits has a leg at the queue');
      must(call.waitsFor === null && !call.parked && !call.failure, 'who waits is nowhere else');
      if (!queued || call.legs.some((each) => each.state === 'alerting')) return;
      const couldTake = free.filter((personId) => !isPassing(queued, personId, exchange.now));
      must(
        couldTake.every((personId) =>
          call.legs.some((each) => each.role === 'caller' && each.personId === personId),
        ),
        'nobody waits while somebody free could take them',
      );
    });
  }
  for (const call of exchange.calls.values()) {
    const isThere = call.queued === null || exchange.queueOf(call.queued.teamId).calls.includes(call);
    must(isThere, 'nobody who waits is lost');
    must(
      call.legs.filter((leg) => leg.endpoint.kind === 'queue' && isLive(leg)).length ===
        (call.queued ? 1 : 0),
      'whoever is at a queue waits in it',
    );
  }
}

function checkCall(call: Call): void {
  const live = call.legs.filter(isLive);
  const talking = live.filter(isTalking);
  must(call.legs.filter((leg) => leg.role === 'caller').length === 1, 'a call has one caller');
  must(live.length > 0, 'a call has a leg');
  must(talking.length >= 2 || call.timers.length > 0, 'a call in which nobody talks goes on by itself');
  const people = talking.filter((leg) => !isOpenRoom(leg));
  const most = call.meeting ? meetingLimits.parties : limits.parties;
  must(people.length + live.filter(isPending).length <= most, 'a conference is not too large');
  const isIn = (legId: string | null) => legId === null || live.some(({ id }) => id === legId);
  for (const leg of call.legs) {
    must(leg.callId === call.id, 'a leg belongs to its call');
    if (!isLive(leg)) continue;
    must(isIn(leg.silencedBy), 'nobody is silenced by somebody who has gone');
    must(isIn(leg.roomBy), 'nobody is aside by somebody who has gone');
    must(isIn(leg.replaces), 'no leg replaces one that has gone');
  }
  for (const timer of call.timers)
    must(!('legId' in timer.what) || isIn(timer.what.legId), 'a timer has a leg');
  must([0, 2].includes(live.filter(({ room }) => room === 'private').length), 'a private word is of two');
  checkHearing(call);
  checkPlan(call);
  checkRecordings(call);
  checkMeeting(call);
  if (!call.emergency) return;
  must(call.recordings.length === 0, 'an emergency call is never recorded');
  must(!call.parked && !call.invitation && !call.comesBackTo, 'an emergency call goes nowhere else');
  must(!live.some(({ state }) => state === 'held'), 'an emergency call is never held');
}

function checkHearing(call: Call): void {
  const heard = whatIsHeard(call);
  for (const { from, to } of voicePaths(call)) {
    const [speaks, hears] = [from, to].map((id) => call.legs.find((leg) => leg.id === id));
    must(from !== to, 'nobody hears their own voice');
    must(speaks !== undefined && isAudible(speaks), 'a voice that is heard is let through');
    must(hears?.state === 'connected', 'only who is connected hears a voice');
    must(speaks?.room === hears?.room, 'voices are heard in their room');
  }
  for (const leg of call.legs) {
    const what = heard[leg.id];
    if (leg.state === 'held' || leg.state === 'cleared')
      must(what?.kind === 'nothing', 'who holds or has gone hears nothing');
    if (leg.state === 'connected' && leg.room === 'aside' && !call.failure)
      must(what?.kind === 'music', 'who is put aside hears music');
    if (what?.kind !== 'voices') continue;
    must(leg.state === 'connected', 'only who is connected hears voices');
    for (const id of what.legIds) {
      const speaker = call.legs.find((other) => other.id === id);
      must(
        speaker !== leg &&
          speaker?.state === 'connected' &&
          !speaker.muted &&
          speaker.silencedBy === null &&
          speaker.room === leg.room &&
          speaker.room !== 'aside',
        'nobody hears whom they should not',
      );
    }
  }
}

function checkPlan({ ringing, legs }: Call): void {
  const ofPlan = legs.filter((leg) => ringing?.progress.includes(leg.id));
  const answered = ofPlan.some((leg) => leg.answeredAt !== null);
  must(
    !answered || !ofPlan.some((leg) => leg.state === 'alerting'),
    'answering one device ends all others of the plan',
  );
}

function checkRecordings({ recordings, legs }: Call): void {
  for (const { state, pieces, legId } of recordings) {
    const open = pieces.filter(({ to }) => to === null).length;
    must(open === (state === 'on' ? 1 : 0), 'a recording that is on has one open piece');
    must(state === 'ended' || legs.some((leg) => leg.id === legId && isLive(leg)), 'who records is there');
    must(
      pieces.every(({ from }, index) => index === 0 || from >= (pieces[index - 1]?.to ?? Infinity)),
      'pieces follow each other',
    );
  }
}

function checkMeeting(call: Call): void {
  const { meeting, legs } = call;
  if (!meeting) return must(hostsOf(call).length === 0, 'what is no meeting has no host');
  const there = attendingOf(call).map(({ id }) => id);
  const isThere = ({ legId }: { legId: string }) => there.includes(legId);
  must(!call.emergency, 'an emergency call is no meeting');
  must(there.length === 0 || hostsOf(call).length > 0, 'a meeting in which somebody is has a host');
  must(
    hostsOf(call).every((legId) => there.includes(legId)),
    'a host is there',
  );
  const { pictures, hands, reactions } = meeting;
  must(pictures.length <= meetingLimits.pictures, 'no more pictures than may be shown');
  must([...pictures, ...hands, ...reactions].every(isThere), 'who has gone has taken all of theirs along');
  must(
    new Set(pictures.map(({ legId, kind }) => `${legId} ${kind}`)).size === pictures.length,
    'one of a kind',
  );
  must(new Set(hands.map(({ legId }) => legId)).size === hands.length, 'nobody raises two hands');
  must(
    hands.every(({ at }, index) => index === 0 || at >= (hands[index - 1]?.at ?? Infinity)),
    'who raised a hand first is first',
  );
  const { links, waiting, besideLegIds } = meeting;
  const guestIds = legs.flatMap(({ endpoint, state }) =>
    state !== 'cleared' && endpoint.kind === 'outside' ? (endpoint.guestId ?? []) : [],
  );
  const all = [...guestIds, ...waiting.map(({ guestId }) => guestId)];
  must(new Set(all).size === all.length, 'a guest waits, or is in it, once');
  for (const { forLegId, openAt } of links) {
    must(forLegId === null || there.includes(forLegId), 'a link is for somebody who is there');
    must(openAt === null || (forLegId !== null && besideLegIds.includes(forLegId)), 'what is open is seen');
  }
  for (const { picture, to } of picturePaths(call)) {
    const [from, sees] = [picture.legId, to].map((id) => legs.find((leg) => leg.id === id));
    must(from !== sees, 'nobody is sent their own picture');
    must(from?.state === 'connected' && sees?.state === 'connected', 'nobody is seen, or sees, who holds');
    must(from?.room === sees?.room && sees?.room !== 'aside', 'pictures are seen in their room');
  }
}

/** Over a whole run: every call that began has ended, with exactly one record for each person it concerned. */
export function checkRecords(
  events: readonly ExchangeEvent[],
  personOf: (deviceId: string) => string | null,
): void {
  const begun = events.filter(({ type }) => type === 'originated' || type === 'queued').length;
  must(events.filter(({ type }) => type === 'callCleared').length === begun, 'every call ends once');
  const written = new Map<string, Set<string>>();
  const concerned = new Map<string, Set<string>>();
  const add = (to: Map<string, Set<string>>, callId: string, personId: string) =>
    to.set(callId, (to.get(callId) ?? new Set()).add(personId));
  for (const event of events) {
    if (event.type !== 'recordWritten') continue;
    const { record, callId } = event;
    must(!written.get(callId)?.has(record.personId), 'one record for each person');
    must(record.endedAt >= record.startedAt, 'a record ends after it began');
    must(record.answeredAt === null || record.answeredAt <= record.endedAt, 'talking ends with the record');
    add(written, callId, record.personId);
    for (const { deviceId } of record.path) {
      const personId = deviceId === null ? null : personOf(deviceId);
      if (personId !== null) add(concerned, callId, personId);
    }
    for (const { personId } of record.parties) if (personId !== null) add(concerned, callId, personId);
  }
  for (const [callId, people] of concerned)
    for (const personId of people)
      must(written.get(callId)?.has(personId), 'everybody concerned has a record');
}
