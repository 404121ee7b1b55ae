import isEqual from 'fast-deep-equal';

import type { Call, Command, CommandOf, Endpoint, Leg, Refusal } from '@/core/calls/exchange';
import type { OfficeIndex, Person } from '@/core/setup';
import { hasRole, runsOffice, type Session } from './session';

/** Whose the thing is that was asked for, where it is not the asker's own. A refused request has changed nothing. */
export type Denial = Extract<Refusal, { code: 'notYours' }>;

/** What is looked at to decide: the office as it is configured, its calls, and the devices that are apps of somebody now. */
export interface OfficeSeen {
  office: OfficeIndex;
  calls: ReadonlyMap<string, Call>;
  legOf(id: string): Leg | null;
  devicesInUse: Pick<ReadonlySet<string>, 'has'>;
}

const not = (what: Denial['what']): Denial => ({ code: 'notYours', what });

/** How a right is decided, for each kind of command: by what it names. */
const rights: { readonly [T in Command['type']]: (asked: CommandOf<T>, of: Asker) => Denial | null } = {
  signIn: ({ deviceId }, of) => of.device(deviceId),
  signOut: ({ deviceId }, of) => of.device(deviceId),
  expire: (_, of) => of.network(null),
  configure: (asked, of) => of.configure(asked),
  setCallWaiting: ({ deviceId }, of) => of.device(deviceId),
  make: ({ from, consultationFor }, of) =>
    of.end(from) ?? (consultationFor === undefined ? null : of.leg(consultationFor)),
  alert: ({ legId }, of) => of.network(legId),
  answer: ({ legId }, of) => of.leg(legId),
  refuse: ({ legId }, of) => of.leg(legId),
  fail: ({ legId }, of) => of.network(legId),
  deflect: ({ legId }, of) => of.leg(legId),
  hold: ({ legId }, of) => of.leg(legId),
  retrieve: ({ legId }, of) => of.leg(legId),
  mute: ({ legId }, of) => of.leg(legId),
  unmute: ({ legId }, of) => of.leg(legId),
  sendDigits: ({ legId }, of) => of.leg(legId),
  clear: ({ legId }, of) => of.leg(legId),
  transfer: ({ legId }, of) => of.leg(legId),
  connectCalls: ({ legId, otherLegId }, of) => of.leg(legId) ?? of.leg(otherLegId),
  add: ({ legId }, of) => of.leg(legId),
  mergeCalls: ({ legId, otherLegId }, of) => of.leg(legId) ?? of.leg(otherLegId),
  // Of these the other is somebody in one's own call, which the exchange asks for.
  silence: ({ legId }, of) => of.leg(legId),
  unsilence: ({ legId }, of) => of.leg(legId),
  putAside: ({ legId }, of) => of.leg(legId),
  bringBack: ({ legId }, of) => of.leg(legId),
  talkAside: ({ legId }, of) => of.leg(legId),
  drop: ({ legId }, of) => of.leg(legId),
  invite: ({ legId }, of) => of.leg(legId),
  withdrawInvitation: ({ legId }, of) => of.leg(legId),
  join: ({ deviceId }, of) => of.device(deviceId),
  park: ({ legId }, of) => of.leg(legId),
  unpark: ({ deviceId }, of) => of.device(deviceId),
  // Whose hand-over it was, and at whom it rings, the exchange asks for.
  takeBack: ({ deviceId }, of) => of.device(deviceId),
  pickUp: ({ deviceId }, of) => of.device(deviceId),
  // At once it is taken at the other phone without anybody lifting it there.
  move: ({ legId, to, atOnce }, of) =>
    of.leg(legId) ?? (atOnce && 'deviceId' in to ? of.device(to.deviceId) : null),
  // Who may take it the exchange asks for.
  takeWaiting: ({ deviceId }, of) => of.device(deviceId),
  setAgentState: ({ personId }, of) => of.member(personId),
  record: ({ legId }, of) => of.leg(legId),
  speaks: ({ legId }, of) => of.leg(legId),
  meet: ({ legId }, of) => of.leg(legId),
  inMeeting: ({ legId }, of) => of.leg(legId),
  // By a link nobody of the office comes.
  knock: (_, of) => of.network(null),
  goAway: (_, of) => of.network(null),
  callBackWhenFree: ({ legId }, of) => of.leg(legId),
  reportFree: (_, of) => of.network(null),
};

/**
 * Whether a session may ask for that: null where it may. It says nothing of whether it makes sense now, which the exchange's own
 * tables decide. A leg that is nobody's is let through, so that the exchange says that there is none.
 */
export function may(session: Session, command: Command, seen: OfficeSeen): Denial | null {
  const decide = rights[command.type] as (asked: Command, of: Asker) => Denial | null;
  return decide(command, new Asker(session, seen));
}

/** What is a session's own. */
class Asker {
  constructor(
    private readonly session: Session,
    private readonly seen: OfficeSeen,
  ) {}

  device(deviceId: string): Denial | null {
    if (this.seen.devicesInUse.has(deviceId) && deviceId !== this.session.deviceId)
      return this.isOwnersOther(deviceId) ? null : not('device');
    if (hasRole(this.session, 'simulator')) return null;
    const device = this.seen.office.devices.get(deviceId);
    return !device || this.isMine(device.personId) ? null : not('device');
  }

  end(endpoint: Pick<Endpoint, 'kind'> & { deviceId?: string }): Denial | null {
    if (endpoint.kind === 'device') return this.device(endpoint.deviceId ?? '');
    return hasRole(this.session, 'simulator') ? null : not('outside');
  }

  leg(legId: string): Denial | null {
    const leg = this.seen.legOf(legId);
    if (!leg) return null;
    if (leg.personId !== null && this.isMine(leg.personId)) return null;
    const denial = this.end(leg.endpoint);
    // Whose phone it is one need not be told.
    return denial && not('call');
  }

  network(legId: string | null): Denial | null {
    const { session } = this;
    if (hasRole(session, 'network')) return null;
    // Whoever plays a phone lets it ring or be engaged.
    return hasRole(session, 'simulator') && (legId === null || this.leg(legId) === null)
      ? null
      : not('network');
  }

  /** A plan is its person's; what people say of themselves is theirs; all else is for who runs the office. */
  configure({ ringPlans, people }: CommandOf<'configure'>): Denial | null {
    const { session, seen } = this;
    const isPlayed = (personId: string) => hasRole(session, 'simulator') && !this.isInUse(personId);
    for (const plan of ringPlans) {
      if (this.isMine(plan.personId) || isPlayed(plan.personId)) continue;
      if (!this.isRun() && !isEqual(seen.office.ringPlans.get(plan.personId), plan)) return not('plan');
    }
    for (const person of people) {
      const before = seen.office.people.get(person.id);
      if (!before || isEqual(before, person)) continue;
      if (!this.isMine(person.id) && !isPlayed(person.id)) return not('person');
      if (!isEqual(givenBy(before), givenBy(person))) return not('office');
    }
    return null;
  }

  /** What somebody does as a member of a team: they themselves, or whoever runs the office. */
  member(personId: string): Denial | null {
    const isPlayed = hasRole(this.session, 'simulator') && !this.isInUse(personId);
    return this.isMine(personId) || this.isRun() || isPlayed ? null : not('person');
  }

  private isRun(): boolean {
    return runsOffice(this.session, this.seen.office);
  }

  private isMine(personId: string | null): boolean {
    return personId !== null && hasRole(this.session, 'member') && personId === this.session.personId;
  }

  /** Another app of the same member. */
  private isOwnersOther(deviceId: string): boolean {
    return this.isMine(this.seen.office.devices.get(deviceId)?.personId ?? null);
  }

  /** Somebody's own app is signed in, so that nobody else speaks for them. */
  private isInUse(personId: string): boolean {
    return this.seen.office.devicesOf(personId).some(({ id }) => this.seen.devicesInUse.has(id));
  }
}

/** What of a person the office gives them, and they can't change themselves. */
const givenBy = ({ id, name, role, extension, presentedLineId, administers, may: granted }: Person) => ({
  ...{ id, name, role, extension, presentedLineId, administers, may: granted },
});
