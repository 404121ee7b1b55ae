import type { Finish, RingRule, When } from '@/core/setup';
import type { Slice } from './joinSlices';
import type { XmlElement } from './xml';
import type { Location } from './locations';

/** Something of a script that a plan cannot hold, and what was done instead. */
export interface CplNote {
  /** 1-based. */
  line: number;
  reason: string;
}

export type ReadCpl =
  { ok: true; rules: RingRule[]; notes: CplNote[] } | { ok: false; line: number; reason: string };

/** What has been decided on the way down to an action. */
export interface Path {
  lineIds: string[] | null;
  when: When;
  /** Addresses that the script has set so far (the location set, RFC 3880 §5). */
  locations: Location[];
  slices: Slice[];
  name: string | null;
  /** Where the rules after this go on: an otherwise that leads there needs no rule of its own. */
  pending: string | null;
  busyFinish?: Finish;
  unreachableFinish?: Finish;
  depth: number;
}

/** Ends the reading: nothing of the script can be taken. */
export class Stop extends Error {
  constructor(
    readonly line: number,
    reason: string,
  ) {
    super(reason);
  }
}

/** Before anything has been decided. */
export const start: Path = {
  lineIds: null,
  when: {},
  locations: [],
  slices: [],
  name: null,
  pending: null,
  depth: 0,
};

export const lastStage = ({ slices }: Path) => slices.at(-1)?.stage ?? null;

/** Slices that follow one of our stage marks belong to it. */
export function withStage(slices: readonly Slice[], path: Path): Slice[] {
  const stage = lastStage(path);
  return slices.map((slice) => ({ ...slice, stage }));
}

/** A proxy without an output for no answer gives back what it found: busy, as far as a caller hears (RFC 3880 §6.1). */
export const unanswered = ({ line }: XmlElement): XmlElement => ({
  name: 'reject',
  attributes: { status: 'busy' },
  children: [],
  line,
});
