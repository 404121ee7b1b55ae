import type { Call } from '@/core/calls/exchange';
import { audienceOf, type Audience } from '@/core/office/machine';
import type { OfficeIndex } from '@/core/setup';

/** Who saw a call before something happened to it, and who sees it after that; left out where there was, or is, no such call. */
export interface SightOfCall {
  before?: Audience;
  now?: Audience;
}

/** Who sees each call whole: of one that has ended there is nothing left to look at. */
export class Sights {
  private readonly byCall = new Map<string, Audience>();

  constructor(private readonly seen: () => { office: OfficeIndex; calls: ReadonlyMap<string, Call> }) {
    for (const call of seen().calls.values()) this.byCall.set(call.id, audienceOf(call, seen().office));
  }

  of(callId: string): Audience | undefined {
    return this.byCall.get(callId);
  }

  /** Something has happened to these calls. */
  note(ids: Iterable<string>): Map<string, SightOfCall> {
    const { calls, office } = this.seen();
    const noted = new Map<string, SightOfCall>();
    for (const id of ids) {
      const before = this.byCall.get(id);
      const call = calls.get(id);
      const now = call && audienceOf(call, office);
      if (now === undefined) this.byCall.delete(id);
      else this.byCall.set(id, now);
      noted.set(id, { ...(before !== undefined && { before }), ...(now !== undefined && { now }) });
    }
    return noted;
  }

  /** Calls that others see since the office was changed. */
  otherwise(): string[] {
    const { calls, office } = this.seen();
    return [...calls.values()].flatMap((call) =>
      isSame(this.byCall.get(call.id), audienceOf(call, office)) ? [] : [call.id],
    );
  }
}

function isSame(one: Audience | undefined, other: Audience): boolean {
  if (one === null || one === undefined || other === null) return one === other;
  return one.size === other.size && [...one].every((personId) => other.has(personId));
}
