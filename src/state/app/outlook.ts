import { foresee } from '@/core/exchange';
import { interpretDialled, isExternal, ukOfficePlan } from '@/core/numbering';
import { targetName, teamMailboxName, type OfficeIndex } from '@/core/office';
import type { TraceLeg } from '@/core/routing';
import { describeRate, rateFor } from '@/core/rates';

import { selectAllCalls } from './callViews';
import { selectOffice } from './selectors';
import type { RootState } from './store';

/** What would become of a call sent to somebody, in words. */
export interface Outlook {
  /** "Rings Tobias’s desk phone for 25 s, then his mailbox answers." */
  called: string;
  /** The same for a call that is sent on at once and comes back where nobody takes it. */
  sent: string;
}

/** Computed from the target's own plan and from who is on a call now. */
export function selectOutlook(state: RootState, to: string, now: number): Outlook {
  const office = selectOffice(state);
  const trace = foresee(office, selectAllCalls(state), to, now);
  if (!trace) return outside(office, to);
  const backSeconds = office.setup.policies.transferReturnSeconds;
  const { finish } = trace;
  const end =
    finish.kind === 'mailbox'
      ? `the mailbox of ${office.people.get(finish.personId)?.name ?? 'nobody'} answers`
      : finish.kind === 'teamMailbox'
        ? `${teamMailboxName(finish.teamId, office)} answers`
        : finish.kind === 'busy'
          ? 'there is busy tone'
          : finish.kind === 'forward'
            ? `it is forwarded to ${finish.to}`
            : 'they get a text';
  if (trace.legs.length === 0) {
    return {
      called: `Nothing can ring there now: at once ${end}.`,
      sent: 'Nothing can ring there now: it would come back to you at once.',
    };
  }
  const first = trace.legs.filter(({ fromSeconds }) => fromSeconds === 0);
  const names = first.map((leg) => phoneName(leg, office)).join(' and ');
  return {
    called: `Rings ${names}; after ${trace.finishSeconds} s ${end}.`,
    sent: `Rings ${names}; not taken within ${Math.min(backSeconds, trace.finishSeconds)} s, it comes back to you.`,
  };
}

function outside(office: OfficeIndex, to: string): Outlook {
  const dialled = interpretDialled(to, ukOfficePlan);
  const { rates, policies } = office.setup;
  const price = isExternal(dialled) ? describeRate(rateFor(rates, dialled.e164), rates.currency) : 'free';
  return {
    called: `Outside the office, ${price}.`,
    sent: `Outside the office, ${price} for as long as they talk. Not taken within ${policies.transferReturnSeconds} s, it comes back to you.`,
  };
}

const phoneName = (leg: TraceLeg, office: OfficeIndex) => {
  const owner = leg.personId === null ? null : office.people.get(leg.personId);
  const device = office.devices.get(leg.deviceId ?? '');
  return owner && device ? `${owner.name.split(' ')[0] ?? ''}’s ${device.name}` : targetName(leg, office);
};
