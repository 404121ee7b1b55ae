import { useEffect, useState } from 'react';

import { foresee } from '@/core/calls/exchange';
import { interpretDialled, isExternal } from '@/core/numbers/numbering';
import { describeFinish, targetName, type Finish, type OfficeIndex } from '@/core/setup';
import { describeRate, rateFor } from '@/core/numbers/rates';
import type { RouteTrace, TraceLeg } from '@/core/plans/routing';

import { selectAllCalls } from './callViews';
import { selectOffice } from './selectors';
import { useServices } from './services';
import { useAppSelector, type RootState } from './store';

/** What rings, from which second to which. */
export interface ForecastBar {
  label: string;
  fromSeconds: number;
  toSeconds: number;
}

/** What would become of a call that goes there now. */
export type Forecast =
  | {
      kind: 'rings';
      bars: ForecastBar[];
      finishSeconds: number;
      finish: Finish;
      /** "Tobias Quill’s mailbox" */
      finishWords: string;
    }
  /** Nothing of theirs can ring: the finish has it at once. */
  | { kind: 'nothingRings'; finish: Finish; finishWords: string }
  /** A machine speaks at once, and keeps whoever is sent there. */
  | { kind: 'menu'; name: string }
  /** Waits for somebody of that team, and does not come back. */
  | { kind: 'queue'; name: string }
  /** Their own plan decides, and the office has not (yet) said what. */
  | { kind: 'theirs' }
  /** The public network, with its price: "2.1 p/min". */
  | { kind: 'outside'; price: string };

/** Computed from the target's own plan, where that is told here, and from who is on a call now. */
export function selectForecast(state: RootState, to: string, now: number): Forecast {
  const office = selectOffice(state);
  const trace = foresee(office, selectAllCalls(state), to, now);
  return trace === 'withheld' ? { kind: 'theirs' } : forecastOf(trace, to, office);
}

/** The same, asked of the office where it goes by a plan that is told to nobody else. */
export function useForecast(to: string, now: number): Forecast {
  const { link } = useServices();
  const office = useAppSelector(selectOffice);
  const known = useAppSelector((state) => selectForecast(state, to, now), isSame);
  const isAsked = known.kind === 'theirs';
  const [told, setTold] = useState<{ to: string; trace: RouteTrace | null } | null>(null);
  useEffect(() => {
    let isWanted = isAsked;
    const take = (trace: RouteTrace | null) => isWanted && setTold({ to, trace });
    if (isAsked) void link?.foresee(to).then(take, () => undefined);
    return () => {
      isWanted = false;
    };
  }, [isAsked, link, to, now]);
  return isAsked && told?.to === to ? forecastOf(told.trace, to, office) : known;
}

const isSame = (a: Forecast, b: Forecast) => JSON.stringify(a) === JSON.stringify(b);

function forecastOf(trace: RouteTrace | null, to: string, office: OfficeIndex): Forecast {
  if (!trace) return { kind: 'outside', price: priceOutside(office, to) };
  const menu = office.menus.get(trace.ownerId) ?? office.conferences.get(trace.ownerId);
  if (menu) return { kind: 'menu', name: menu.name };
  const { finish, finishSeconds, legs, steps } = trace;
  const queued = steps.find(({ kind }) => kind === 'queued');
  if (queued?.kind === 'queued') return { kind: 'queue', name: office.teams.get(queued.teamId)?.name ?? '' };
  const finishWords = describeFinish(finish, office);
  if (legs.length === 0) return { kind: 'nothingRings', finish, finishWords };
  const bars = legs.map((leg) => ({
    label: phoneName(leg, office),
    fromSeconds: leg.fromSeconds,
    toSeconds: leg.toSeconds,
  }));
  return { kind: 'rings', bars, finishSeconds, finish, finishWords };
}

function priceOutside(office: OfficeIndex, to: string): string {
  const dialled = interpretDialled(to, office.plan);
  const { rates } = office.setup;
  return isExternal(dialled) ? describeRate(rateFor(rates, dialled.e164), rates.currency) : 'free';
}

const phoneName = (leg: TraceLeg, office: OfficeIndex) => {
  const owner = leg.personId === null ? null : office.people.get(leg.personId);
  const device = office.devices.get(leg.deviceId ?? '');
  return owner && device ? `${owner.name.split(' ')[0] ?? ''}’s ${device.name}` : targetName(leg, office);
};
