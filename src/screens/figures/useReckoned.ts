import { useEffect, useRef, useState } from 'react';

import { selectZone, useAppSelector, useServices } from '@/state/app';
import { readRecordsBetween } from '@/state/figures';
import { FiguresBeside, type SpanAsked } from '@/workers/figuresBeside';

interface Reckoned<Found> {
  /** null while it is reckoned for the first time. */
  found: Found | null;
  /** It can't be had now. */
  isFailed: boolean;
  /** What reckons, as far as it is there. */
  beside: () => FiguresBeside | null;
}

/**
 * What is reckoned beside the page from everybody's records of a span, as they are kept.
 *
 * @param ask the same function for the same question; null where the worker could not go on
 */
export function useReckoned<Found>(
  span: SpanAsked,
  ask: (figures: FiguresBeside) => Promise<Found | null>,
): Reckoned<Found> {
  const { vault } = useServices();
  const zone = useAppSelector(selectZone);
  // What is still being laid down or read is not yet nothing.
  const isRead = useAppSelector((state) => state.history.isComplete);
  const [found, setFound] = useState<Found | null>(null);
  const [isFailed, setFailed] = useState(false);
  const beside = useRef<{ figures: FiguresBeside; known: Set<string> } | null>(null);
  const turn = useRef<Promise<void>>(Promise.resolve());
  const { from, until } = span;
  useEffect(() => () => beside.current?.figures.close(), []);
  useEffect(() => {
    if (!vault || !isRead) return;
    let isStale = false;
    // The next time it is asked of another worker, which is told everything anew.
    const giveUp = () => {
      beside.current?.figures.close();
      beside.current = null;
      setFailed(true);
    };
    const reckon = async () => {
      beside.current ??= { figures: new FiguresBeside(giveUp), known: new Set() };
      const { figures, known } = beside.current;
      await readRecordsBetween(vault, { from, until, zone }, known, (records) => figures.add(records));
      const next = await ask(figures);
      if (isStale || next === null) return;
      setFailed(false);
      setFound(next);
    };
    // One after the other: two that read at once would each tell of the same records, or ask before the other has told of them.
    turn.current = turn.current.then(() => (isStale ? undefined : reckon())).catch(() => giveUp());
    return () => {
      isStale = true;
    };
  }, [vault, isRead, from, until, zone, ask]);
  return { found, isFailed, beside: () => beside.current?.figures ?? null };
}
