import type { CourseEnd, FigureCall, FigureStop } from './calls';

/** Calls to one line that went the same way. */
export interface Flow {
  lineId: string;
  stops: readonly FigureStop[];
  end: CourseEnd;
  calls: number;
}

interface Span {
  /** Epoch milliseconds; from then, before the other. */
  from: number;
  until: number;
}

/** The ways that the calls of a span went, each with how many went so; those that came by no line are left out. */
export function flowsOf(calls: Iterable<FigureCall>, { from, until }: Span): Flow[] {
  const flows = new Map<string, Flow>();
  for (const { at, lineId, stops, end } of calls) {
    if (at < from || at >= until || lineId === null) continue;
    let key = `${lineId} ${end}`;
    for (const { ownerId, isClosed, isByLine } of stops)
      key += ` ${ownerId}${isClosed ? '!' : ''}${isByLine ? '' : '-'}`;
    const flow = flows.get(key);
    if (flow) flow.calls++;
    else flows.set(key, { lineId, stops, end, calls: 1 });
  }
  return [...flows.values()];
}
