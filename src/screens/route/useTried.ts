import { useMemo, useState } from 'react';

import { keyOf } from '@/core/calls/figures';
import { litIn, placesOfJourney, type Route } from '@/core/calls/route';
import { allFree, journeyOf, type Journey } from '@/core/plans/routing';
import { describeFinish, nameOf, type OfficeIndex } from '@/core/setup';
import { selectMyId, useAppSelector, useNow } from '@/state/app';

import { callerOf, type CallerKind } from '../shared/askedCallers';
import { shortTargetName } from '../shared/targetWords';
import { useTry } from '../shared/useTry';

/** A call that is computed, not placed. */
export interface Asked {
  callerKind: CallerKind;
  lineId: string;
  /** An instant; null for now. */
  at: number | null;
  /** What the caller presses, whenever a menu asks. */
  keys: readonly string[];
}

/** The tried call, with the way it lights in the route and where it is while its seconds are played. */
export function useTried(route: Route, office: OfficeIndex, lineId: string) {
  const now = useNow(60_000);
  const myId = useAppSelector(selectMyId);
  const [asked, setAsked] = useState<Asked>({ callerKind: 'unknown', lineId, at: null, keys: [] });
  // Another number that is followed is asked for as well.
  if (asked.lineId !== lineId) setAsked({ ...asked, lineId, keys: [] });
  const journey = useMemo(() => {
    const ownerId = office.lines.get(asked.lineId)?.ownerId ?? '';
    const caller = callerOf(asked.callerKind, office, myId);
    const called = { ownerId, lineId: asked.lineId, caller };
    return journeyOf(office, called, allFree(asked.at ?? now), asked.keys);
  }, [office, asked, myId, now]);
  const places = useMemo(
    () => placesOfJourney(journey, asked.lineId, office),
    [journey, asked.lineId, office],
  );
  const lit = useMemo(() => litIn(route, places), [route, places]);
  const playing = useTry(journey.finishSeconds);
  const { nowSeconds } = playing;
  const ownerId = nowSeconds === null ? null : ownerAt(journey, nowSeconds);
  const here =
    nowSeconds === null
      ? null
      : ownerId === null
        ? places.at(-1)
        : places.findLast((place) => 'id' in place && place.id === ownerId);
  return {
    ...{ asked, setAsked, journey, lit, playing, myId },
    hereKey: here ? keyOf(here) : null,
    saying: nowSeconds === null ? null : sayingAt(journey, nowSeconds, office, myId),
  };
}

/** Whose plan, which team or menu the call is at then; null once it is over. */
function ownerAt({ stops, finishSeconds }: Journey, seconds: number): string | null {
  if (seconds >= finishSeconds) return null;
  return stops.findLast(({ fromSeconds }) => fromSeconds <= seconds)?.trace.ownerId ?? null;
}

/** What happens to the call in that second. */
function sayingAt(journey: Journey, seconds: number, office: OfficeIndex, myId: string): string {
  const { stops, finish, finishSeconds } = journey;
  if (seconds >= finishSeconds)
    return finish === null
      ? 'It goes round in a circle, and is cut off.'
      : `Now ${describeFinish(finish, office, myId)}.`;
  const stop = stops.findLast(({ fromSeconds }) => fromSeconds <= seconds);
  if (!stop) return 'Nothing rings.';
  const { trace, fromSeconds } = stop;
  const menu = office.menus.get(trace.ownerId);
  if (menu) return `${menu.name} speaks, and waits for a key.`;
  if (trace.steps.some(({ kind }) => kind === 'queued'))
    return `It waits for ${office.teams.get(trace.ownerId)?.name ?? nameOf(trace.ownerId, office)}.`;
  const since = seconds - fromSeconds;
  const ringing = trace.legs.filter((leg) => leg.fromSeconds <= since && since < leg.toSeconds);
  return ringing.length === 0
    ? 'Nothing rings.'
    : `Rings: ${ringing.map((leg) => shortTargetName(leg, office, myId)).join(', ')}.`;
}
