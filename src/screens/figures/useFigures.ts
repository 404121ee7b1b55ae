import { useCallback, useMemo } from 'react';

import {
  spanOf,
  type FigureCall,
  type FiguresAsked,
  type FiguresFound,
  type Grouping,
  type Span,
} from '@/core/calls/figures';
import { selectZone, useAppSelector, useServices } from '@/state/app';
import type { FiguresBeside } from '@/workers/figuresBeside';

import { useReckoned } from './useReckoned';

interface Asked {
  span: Span;
  by: Grouping;
  withinSeconds: number;
}

interface Found {
  asked: FiguresAsked;
  /** null while they are reckoned. */
  found: FiguresFound | null;
  /** They can't be had now. */
  isFailed: boolean;
  behind: (key: string) => Promise<FigureCall[]>;
}

/** A span as instants; made anew when a call of the worker's own is over, which may have been on another day. */
export function useSpan(span: Span): { from: number; until: number; newest: string | undefined } {
  const { clock } = useServices();
  const zone = useAppSelector(selectZone);
  const newest = useAppSelector((state) => state.history.records[0]?.id);
  return useMemo(() => ({ ...spanOf(span, clock.now(), zone), newest }), [span, zone, clock, newest]);
}

/** The figures of everybody's calls; asked for anew when a call of the worker's own is over. */
export function useFigures({ span, by, withinSeconds }: Asked): Found {
  const zone = useAppSelector(selectZone);
  const instants = useSpan(span);
  const asked = useMemo<FiguresAsked>(
    () => ({ from: instants.from, until: instants.until, by, withinSeconds, zone }),
    [instants, by, withinSeconds, zone],
  );
  const ask = useCallback((figures: FiguresBeside) => figures.ask(asked), [asked]);
  const { from, until } = asked;
  const { found, isFailed, beside } = useReckoned({ from: from - (until - from), until }, ask);
  return {
    ...{ asked, found, isFailed },
    behind: async (key) => (await beside()?.behind(asked, key)) ?? [],
  };
}
