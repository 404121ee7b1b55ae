import { foresee } from '@/core/calls/exchange';
import { interpretDialled, isExternal, ukOfficePlan } from '@/core/numbers/numbering';
import { describeFinish, targetName, type Finish, type OfficeIndex } from '@/core/setup';
import { describeRate, rateFor } from '@/core/numbers/rates';
import type { TraceLeg } from '@/core/plans/routing';

import { selectAllCalls } from './callViews';
import { selectOffice } from './selectors';
import type { RootState } from './store';

/** What rings, from which second to which. */
export interface OutlookBar {
  label: string;
  fromSeconds: number;
  toSeconds: number;
}

/** What would become of a call that goes there now. */
export type Outlook =
  | {
      kind: 'rings';
      bars: OutlookBar[];
      finishSeconds: number;
      finish: Finish;
      /** "Tobias Quill’s mailbox" */
      finishWords: string;
    }
  /** Nothing of theirs can ring: the finish has it at once. */
  | { kind: 'nothingRings'; finish: Finish; finishWords: string }
  /** A machine speaks at once, and keeps whoever is sent there. */
  | { kind: 'menu'; name: string }
  /** The public network, with its price: "2.1 p/min". */
  | { kind: 'outside'; price: string };

/** Computed from the target's own plan and from who is on a call now. */
export function selectOutlook(state: RootState, to: string, now: number): Outlook {
  const office = selectOffice(state);
  const trace = foresee(office, selectAllCalls(state), to, now);
  if (!trace) return { kind: 'outside', price: priceOutside(office, to) };
  const menu = office.menus.get(trace.ownerId);
  if (menu) return { kind: 'menu', name: menu.name };
  const { finish, finishSeconds, legs } = trace;
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
  const dialled = interpretDialled(to, ukOfficePlan);
  const { rates } = office.setup;
  return isExternal(dialled) ? describeRate(rateFor(rates, dialled.e164), rates.currency) : 'free';
}

const phoneName = (leg: TraceLeg, office: OfficeIndex) => {
  const owner = leg.personId === null ? null : office.people.get(leg.personId);
  const device = office.devices.get(leg.deviceId ?? '');
  return owner && device ? `${owner.name.split(' ')[0] ?? ''}’s ${device.name}` : targetName(leg, office);
};
