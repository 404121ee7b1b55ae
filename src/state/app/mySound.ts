import { createSelector } from '@reduxjs/toolkit';

import { ringKindOf } from '@/core/calls/callerId';
import type { Heard } from '@/core/calls/exchange';
import { isMeeting } from '@/core/plans/routing';
import type { OfficeIndex, QueueMusic } from '@/core/setup';
import type { Continuous } from '@/office/sound';

import { selectMyCalls, type CallView } from './callViews';
import { selectCallHabits } from './habits';
import { selectPlanInForce } from './planning';
import { selectOffice } from './selectors';
import type { RootState } from './store';

const loopOf: Record<QueueMusic, Continuous | null> = {
  ...{ valley: 'music', rain: 'rain', becks: 'becks', none: null },
};

/** What goes on in the ear because of one call; null for voices and silence. */
export function continuousOf(heard: Heard | undefined, { teams }: OfficeIndex): Continuous | null {
  if (heard?.kind === 'tone') return heard.tone;
  if (heard?.kind === 'queue') return loopOf[teams.get(heard.teamId)?.queue?.music ?? 'valley'];
  return heard?.kind === 'ringback' || heard?.kind === 'music' ? heard.kind : null;
}

/** What this device sounds of its calls: the one talked on first, then what rings. */
export const selectMySound = createSelector(
  selectMyCalls,
  selectOffice,
  (state: RootState) => state.calls.silenced,
  (state: RootState) => state.settings.ringTones,
  (state: RootState) => selectCallHabits(state).quietInMeetings,
  (state: RootState) => selectPlanInForce(state),
  (calls, office, silenced, tones, quietInMeetings, plan): Continuous | null => {
    const ringing = calls.find(({ phase, id }) => phase === 'incoming' && !silenced.includes(id));
    const active = calls.find(isActive);
    const heard = continuousOf(active?.me.heard, office);
    if (heard) return heard;
    if (!ringing) return null;
    // What rings in a meeting is seen, and not heard; an urgent line is.
    if (quietInMeetings && plan && isMeeting(ringing.call.startedAt, plan) && ringing.line?.urgent !== true)
      return null;
    if (active) return 'waiting';
    return `ring ${tones[ringKindOf(ringing.call, office)]}`;
  },
);

/** Whether it is the call this device is on, rather than one put aside or ringing. */
export const isActive = ({ me }: CallView) => me.state === 'connected';
