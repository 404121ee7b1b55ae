import { useCallback, useMemo } from 'react';

import type { FigureCall, Flow, Place, Span } from '@/core/calls/figures';
import { routeOf, type Route } from '@/core/calls/route';
import type { OfficeIndex } from '@/core/setup';
import type { FiguresBeside } from '@/workers/figuresBeside';

import { useSpan } from '../figures/useFigures';
import { useReckoned } from '../figures/useReckoned';

interface Found {
  /** Dry until its calls are counted. */
  route: Route;
  /** The calls of each line; null until they are counted. */
  callsByLine: ReadonlyMap<string, number> | null;
  /** They can't be counted now. */
  isFailed: boolean;
  /** The calls that came to a place. */
  behind: (place: Place) => Promise<FigureCall[]>;
}

/** The route from those lines, with the calls of a span. */
export function useRoute(office: OfficeIndex, lineIds: readonly string[], span: Span): Found {
  const instants = useSpan(span);
  const ask = useCallback((figures: FiguresBeside) => figures.flows(instants), [instants]);
  const { found, isFailed, beside } = useReckoned<Flow[]>(instants, ask);
  const route = useMemo(() => routeOf(office, found ?? [], lineIds), [office, found, lineIds]);
  const callsByLine = useMemo(() => {
    if (!found) return null;
    const counts = new Map<string, number>();
    for (const { lineId, calls } of found) counts.set(lineId, (counts.get(lineId) ?? 0) + calls);
    return counts;
  }, [found]);
  return {
    ...{ route, callsByLine, isFailed },
    behind: async (place) => (await beside()?.wentBy(instants, lineIds, place)) ?? [],
  };
}
