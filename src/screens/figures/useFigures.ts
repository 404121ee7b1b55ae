import { useEffect, useMemo, useRef, useState } from 'react';

import {
  spanOf,
  type FigureCall,
  type FiguresAsked,
  type FiguresFound,
  type Grouping,
  type Span,
} from '@/core/calls/figures';
import { selectZone, useAppSelector, useServices } from '@/state/app';
import { readRecordsBetween } from '@/state/figures';
import { FiguresBeside } from '@/workers/figuresBeside';

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

/** The figures of everybody's calls, reckoned beside the page from what is kept; asked for anew when a call of mine is over. */
export function useFigures({ span, by, withinSeconds }: Asked): Found {
  const { vault, clock } = useServices();
  const zone = useAppSelector(selectZone);
  const newest = useAppSelector((state) => state.history.records[0]?.id);
  const [found, setFound] = useState<FiguresFound | null>(null);
  const [isFailed, setFailed] = useState(false);
  const beside = useRef<{ figures: FiguresBeside; known: Set<string> } | null>(null);
  const turn = useRef<Promise<void>>(Promise.resolve());
  const asked = useMemo(
    () => ({ ...spanOf(span, clock.now(), zone), by, withinSeconds, zone }),
    // A call that is over may have been on another day.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [span, by, withinSeconds, zone, clock, newest],
  );
  useEffect(() => () => beside.current?.figures.close(), []);
  useEffect(() => {
    if (!vault) return;
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
      const from = asked.from - (asked.until - asked.from);
      await readRecordsBetween(vault, { ...asked, from }, known, (records) => figures.add(records));
      const next = await figures.ask(asked);
      // Null where the worker could not go on.
      if (isStale || next === null) return;
      setFailed(false);
      setFound(next);
    };
    // One after the other: two that read at once would each tell of the same records, or ask before the other has told of them.
    turn.current = turn.current.then(() => (isStale ? undefined : reckon())).catch(() => giveUp());
    return () => {
      isStale = true;
    };
  }, [vault, asked]);
  return {
    ...{ asked, found, isFailed },
    behind: async (key) => (await beside.current?.figures.behind(asked, key)) ?? [],
  };
}
