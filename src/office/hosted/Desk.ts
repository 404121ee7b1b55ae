import { scryptAsync } from '@noble/hashes/scrypt';
import { sha256 } from '@noble/hashes/sha2';
import { bytesToHex, hexToBytes, randomBytes, utf8ToBytes } from '@noble/hashes/utils';

import type { AccessReply, AccessRequest, AccessRow, Denied, Session } from '@/core/office';
import { hasRole, runsOffice } from '@/core/office';
import { Access, weaknessFor, type Hashed } from '@/core/office/machine';
import type { OfficeIndex } from '@/core/setup';

/** Who comes to the office's door, and what they show. `token`: made by their device, which keeps it. */
export type Arriving =
  | { by: 'token'; token: string }
  /** `account`: an extension. */
  | { by: 'pin'; account: string; pin: string; token: string; name: string }
  | { by: 'code'; code: string; pin: string; token: string; name: string };
export type LetIn = { ok: true; personId: string; signInId: string } | { ok: false; why: Denied };

interface DeskOptions {
  office: () => OfficeIndex;
  kept?: readonly AccessRow[];
  now: () => number;
  /** Keeps and tells what has changed. */
  settle: () => Promise<void>;
  /** log₂ of scrypt’s N; left out: what this device bears, 15 at most, which takes a tenth of a second and 32 MB where there is room. */
  cost?: number;
}

/** A caller may be waiting: no PIN is looked at for longer than about that, however small or busy the device is. */
const longestMs = 400;
const [leastCost, mostCost] = [12, 15];

/**
 * The office's door: looks at secrets, which it keeps hashed alone, one after the other, so that nobody tries two PINs where one is let
 * through. What follows is decided by `Access`.
 */
export class Desk {
  readonly access: Access;
  private last: Promise<unknown> = Promise.resolve();
  private found: Promise<number> | null = null;

  constructor(private readonly options: DeskOptions) {
    this.access = new Access(options.office, options.kept);
  }

  /**
   * Signs the device in that stands at the door; one that is signed in already may come again. `key`: which it has shown that it has; one that
   * has shown one is let in with no other, whatever it knows.
   */
  letIn(arriving: Arriving, key: string | null = null): Promise<LetIn> {
    return this.inTurn(async () => {
      const { access } = this;
      const signInId = nameOf(arriving.token);
      const before = access.signIn(signInId);
      if (before) {
        if (!access.isDevice(signInId, key)) return { ok: false, why: { code: 'signedOut' } };
        access.wasThere(signInId, this.options.now());
        await this.options.settle();
        return { ok: true, personId: before.personId, signInId };
      }
      if (arriving.by === 'token') return { ok: false, why: { code: 'signedOut' } };
      const by = arriving.by === 'code' ? nameOf(arriving.code) : null;
      const invited = by === null ? null : access.invited(by, this.options.now());
      if (invited && 'code' in invited) return { ok: false, why: invited };
      const personId = invited?.personId ?? this.accountOf(arriving);
      const why = await this.prove(personId, arriving.pin);
      if (why !== null || personId === null) return { ok: false, why: why ?? { code: 'noPin' } };
      this.signIn(personId, { ...arriving, key, by });
      await this.options.settle();
      return { ok: true, personId, signInId };
    });
  }

  /** Whether that is a device which the person is signed in on, and shows the key that it has always shown. */
  isDeviceOf(personId: string | null, token: string, key: string | null): Promise<boolean> {
    return this.inTurn(async () => {
      const id = nameOf(token);
      const isIt = this.access.signIn(id)?.personId === personId && this.access.isDevice(id, key);
      await this.options.settle();
      return isIt;
    });
  }

  /** Why that is not the person's PIN, or none is looked at now; null where it is. */
  isPinOf(personId: string, pin: string): Promise<Denied | null> {
    return this.inTurn(() => this.prove(personId, pin));
  }

  /** `answered`: is told the answer before what it changed is kept, so that both are kept together. */
  request(
    session: Session,
    request: AccessRequest,
    answered: (reply: AccessReply) => void = () => undefined,
  ): Promise<AccessReply> {
    return this.inTurn(async () => {
      const reply = await this.carryOut(session, request);
      answered(reply);
      await this.options.settle();
      return reply;
    });
  }

  private async carryOut(session: Session, request: AccessRequest): Promise<AccessReply> {
    const { access } = this;
    const office = this.options.office();
    const { personId } = session;
    const refuse = (reason: Extract<AccessReply, { ok: false }>['reason']) =>
      ({ ok: false, reason }) as const;
    if (personId === null || !hasRole(session, 'member')) return refuse({ code: 'notYours', what: 'office' });
    const runs = runsOffice(session, office);
    switch (request.type) {
      case 'setPin': {
        const now = access.pinOf(personId);
        const why = now === null || now.isGiven ? null : await this.prove(personId, request.before ?? '');
        if (why) return refuse(why);
        const reply = await this.keepPin(personId, request.pin, false);
        if (reply.ok && request.device) this.signIn(personId, { ...request.device, key: null, by: null });
        return reply;
      }
      case 'givePin':
        if (!runs) return refuse({ code: 'notYours', what: 'office' });
        return this.keepPin(request.personId, request.pin, true);
      case 'invite':
        if (!runs) return refuse({ code: 'notYours', what: 'office' });
        if (!office.people.has(request.personId)) return refuse({ code: 'unknownPerson' });
        access.invite(nameOf(request.code), request.personId, this.options.now());
        return { ok: true };
      case 'signOutDevice': {
        const device = access.signIn(request.id);
        if (!device) return refuse({ code: 'unknownDevice' });
        if (!runs && device.personId !== personId) return refuse({ code: 'notYours', what: 'device' });
        access.signOut(request.id);
        return { ok: true };
      }
      case 'provePin': {
        const why = await this.prove(personId, request.pin);
        return why ? refuse(why) : { ok: true };
      }
    }
  }

  private signIn(
    personId: string,
    { token, name, key, by }: { token: string; name: string; key: string | null; by: string | null },
  ): void {
    const id = nameOf(token);
    if (!this.access.signIn(id)) this.access.signedIn({ id, personId, name, key, by }, this.options.now());
  }

  private async keepPin(personId: string, pin: string, isGiven: boolean): Promise<AccessReply> {
    const office = this.options.office();
    if (!office.people.has(personId)) return { ok: false, reason: { code: 'unknownPerson' } };
    const sentence = weaknessFor(pin, personId, office);
    if (sentence !== null) return { ok: false, reason: { code: 'weakPin', sentence } };
    const salt = bytesToHex(randomBytes(16));
    const hashed = await hash(pin, salt, await this.cost());
    // Who has been retired meanwhile gets none.
    if (!this.options.office().people.has(personId)) return { ok: false, reason: { code: 'unknownPerson' } };
    this.access.setPin(personId, hashed, { isGiven, at: this.options.now() });
    return { ok: true };
  }

  /** Whether it is that person's PIN; as long for somebody who is not there. What was tried is kept before anybody hears of it. */
  private async prove(personId: string | null, pin: string): Promise<Denied | null> {
    const { access, options } = this;
    const kept = personId === null ? null : access.pinOf(personId);
    if (personId !== null && kept) {
      const until = access.pausedUntil(personId, options.now());
      if (until !== null) return { code: 'paused', until };
    }
    const { salt, cost, hash: right } = kept?.pin ?? { salt: '00', cost: await this.cost(), hash: '' };
    const isRight = isSame((await hash(pin, salt, cost)).hash, right);
    if (personId === null) return { code: 'wrongPin', left: 0 };
    if (!kept) return { code: 'noPin' };
    const why = access.tried(personId, isRight, options.now());
    await options.settle();
    return why;
  }

  /** What a new PIN is hashed with, found once. */
  private cost(): Promise<number> {
    this.found ??= this.options.cost === undefined ? affordableCost() : Promise.resolve(this.options.cost);
    return this.found;
  }

  private accountOf(arriving: Arriving): string | null {
    if (arriving.by !== 'pin') return null;
    const { peopleByExtension } = this.options.office();
    return peopleByExtension.get(arriving.account.replace(/\s/g, ''))?.id ?? null;
  }

  private inTurn<T>(act: () => Promise<T>): Promise<T> {
    const done = this.last.then(act);
    this.last = done.catch(() => undefined);
    return done;
  }
}

/** By which name the device that keeps that token stands in the list of those signed in. */
export const signInIdOf = (token: string): string => nameOf(token);

/** Under which a token or a code stands in what is kept. */
const nameOf = (secret: string) => bytesToHex(sha256(utf8ToBytes(secret)));

async function hash(pin: string, salt: string, cost: number): Promise<Hashed> {
  const key = await scryptAsync(utf8ToBytes(pin), hexToBytes(salt), { N: 2 ** cost, r: 8, p: 1, dkLen: 32 });
  return { salt, cost, hash: bytesToHex(key) };
}

/** The largest cost that this device bears now: each step takes twice as long as the one before. */
async function affordableCost(): Promise<number> {
  // Once for what runs it to be made ready.
  await hash('', '00', leastCost);
  const since = performance.now();
  await hash('', '00', leastCost);
  const took = Math.max(1, performance.now() - since);
  const steps = Math.floor(Math.log2(longestMs / took));
  return leastCost + Math.min(mostCost - leastCost, Math.max(0, steps));
}

/** In a time that tells nothing of where they differ. */
function isSame(one: string, other: string): boolean {
  let difference = one.length ^ other.length;
  for (let at = 0; at < one.length; at++) difference |= one.charCodeAt(at) ^ (other.charCodeAt(at) || 0);
  return difference === 0;
}
