import { useEffect, useRef } from 'react';

import { selectIncoming, selectTaken, useAppSelector } from '@/state/app';
import { putLayersAside } from '@/ui/layer';
import { ThumbGuard } from '@/ui/thumb';

/**
 * What a change of calls does to the screen: for a moment no tap counts on what has just come under the thumb, and a sheet that lies
 * open makes room once a call is taken.
 */
export function useCallsSettle(): void {
  const ringing = useAppSelector((state) => idsOf(selectIncoming(state)));
  const taken = useAppSelector((state) => idsOf(selectTaken(state)));
  const before = useRef({ ringing, taken });
  useEffect(() => new ThumbGuard().start(), []);
  useEffect(() => {
    const last = before.current;
    before.current = { ringing, taken };
    if (last.ringing === ringing && last.taken === taken) return;
    ThumbGuard.screenChanged();
    const rang = last.ringing.split(' ');
    if (taken.split(' ').some((id) => id !== '' && rang.includes(id))) putLayersAside();
  }, [ringing, taken]);
}

const idsOf = (views: readonly { id: string }[]) => views.map(({ id }) => id).join(' ');
