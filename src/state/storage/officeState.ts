import { z } from 'zod';

import { callSchema, type Call } from '@/core/calls/exchange';
import type { HostedOffice, OfficeStep } from '@/office/hosted';
import { markSchema } from '@/core/office';
import { answeredSchema, type OfficeState } from '@/office/link';

import type { Entries } from './belongings';
import { officeKind, storageKeys } from './kinds';
import { Vault, type StoredKind } from './Vault';

/** What is another with each step. */
const momentSchema = z.object({
  now: z.number(),
  nextId: z.number(),
  mark: markSchema,
});

type AnsweredApp = z.infer<typeof answeredSchema>[number];

const callPrefix = 'officeCall/';
const answeredPrefix = 'officeAnswered/';
const signedInKey = 'officeSignedIn';
const momentKey = 'officeMoment';
const callKind: StoredKind<Call> = { version: 1, schema: callSchema };
const answeredKind: StoredKind<AnsweredApp> = { version: 1, schema: answeredSchema.element };
const momentKind: StoredKind<z.infer<typeof momentSchema>> = { version: 1, schema: momentSchema };
/** More numbers than any office gives between two writings of all of it. */
const farBeyond = 1_000_000;

const signedInKind: StoredKind<string> = { version: 1, schema: z.string() };

/** What of the running office is kept by itself: each call, the last answers of each app, which devices are signed in, and what changes with each step. */
const officePartKeys = async (vault: Vault): Promise<string[]> =>
  (
    await Promise.all(
      [callPrefix, answeredPrefix, signedInKey, momentKey].map((prefix) => vault.keys(prefix)),
    )
  ).flat();

/** The running office as it was left; null where nothing is kept of it. Earlier versions kept all of it in one. */
export async function readOfficeState(vault: Vault): Promise<OfficeState | null> {
  const [heads, calls, answered, signedIn, moments] = await Promise.all([
    vault.read(storageKeys.office, officeKind),
    readAll(vault, callPrefix, callKind),
    readAll(vault, answeredPrefix, answeredKind),
    vault.read(signedInKey, signedInKind),
    vault.read(momentKey, momentKind),
  ]);
  const state = heads?.[0];
  if (!state) return null;
  const { exchange } = state;
  const { mark = state.mark, ...moment } = moments?.[0] ?? {};
  // Damaged: numbers have been given since that nobody knows.
  const isMomentLost = signedIn !== null && !moments?.[0];
  const nextId = exchange.nextId + (isMomentLost ? farBeyond : 0);
  const byId = new Map([...exchange.calls, ...calls].map((call) => [call.id, call]));
  return {
    ...state,
    ...(mark && { mark }),
    exchange: {
      ...{ ...exchange, nextId, ...moment },
      signedIn: signedIn ?? exchange.signedIn,
      // In the order in which they were made.
      calls: [...byId.values()].sort((one, other) => numberOf(one) - numberOf(other)),
    },
    answered: [...(state.answered ?? []), ...answered],
  };
}

/** The same in one document, as archives have it, and the keys whose place it takes. */
export async function wholeOfficeState(vault: Vault): Promise<Entries> {
  const state = await readOfficeState(vault);
  const goneKeys = await officePartKeys(vault);
  return { put: state ? { [storageKeys.office]: Vault.encode([state], officeKind) } : {}, goneKeys };
}

/** Which texts keep a running office: what a step has changed of it, and nothing of all the rest. */
export class OfficeParts {
  private isWritten = false;
  /** What changes seldom, as it was last. */
  private written = '';
  /** Of calls that have ended and apps that are forgotten: they are empty, and go with the next step. */
  private emptied: string[] = [];

  entriesOf(step: OfficeStep, office: HostedOffice): Entries {
    const goneKeys = this.emptied;
    this.emptied = [];
    const put = this.headOf(office);
    for (const [id, call] of step.calls) this.put(put, `${callPrefix}${id}`, call, callKind);
    for (const [app, replies] of step.answered)
      this.put(put, `${answeredPrefix}${app}`, replies && { app, replies }, answeredKind);
    if (step.events.some(({ type }) => type === 'signedIn' || type === 'signedOut'))
      put[signedInKey] = signedInText(office);
    return { put, goneKeys: goneKeys.filter((key) => !(key in put)) };
  }

  /** All but calls, answers and who is signed in; when it is first written with all of them, since an earlier version has kept all of it in one. */
  headOf(office: HostedOffice): Record<string, string> {
    const { mark, ...head } = office.head();
    const { now, nextId, ...exchange } = head.exchange;
    const put: Record<string, string> = {};
    if (mark) put[momentKey] = Vault.encode([{ now, nextId, mark }], momentKind);
    const written = JSON.stringify({ ...head, exchange });
    if (written !== this.written) put[storageKeys.office] = Vault.encode([head], officeKind);
    this.written = written;
    if (this.isWritten) return put;
    this.isWritten = true;
    const whole = office.save();
    for (const call of whole.exchange.calls) put[`${callPrefix}${call.id}`] = Vault.encode([call], callKind);
    for (const each of whole.answered ?? [])
      put[`${answeredPrefix}${each.app}`] = Vault.encode([each], answeredKind);
    return { ...put, [signedInKey]: signedInText(office) };
  }

  /**
   * Keys are taken out before others are written (`Vault`): a call that has ended would be gone before its record is there. So it is emptied
   * together with that, and taken out later.
   */
  private put<T>(into: Record<string, string>, key: string, now: T | null, kind: StoredKind<T>): void {
    into[key] = Vault.encode(now === null ? [] : [now], kind);
    if (now === null) this.emptied.push(key);
  }
}

const signedInText = ({ signedIn }: HostedOffice) => Vault.encode([...signedIn], signedInKind);

const readAll = async <T>(vault: Vault, prefix: string, kind: StoredKind<T>): Promise<T[]> =>
  [...(await vault.readMany(await vault.keys(prefix), kind)).values()].flat();

const numberOf = ({ id }: Call) => Number(id.slice(1));
