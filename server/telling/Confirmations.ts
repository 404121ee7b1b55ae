import { createHash, randomInt } from 'node:crypto';

import { RateLimiterMemory } from 'rate-limiter-flexible';
import { z } from 'zod';

import type { Place } from '@/core/inbox/notifications';
import { Vault, type Backend, type StoredKind } from '@/state/storage';

const hourMs = 3_600_000;
const daySeconds = 24 * 3600;
const mostTries = 5;
/** So many codes go out within a day: asked for by one person, and to one place, whoever asks. */
const codesEach = 20;
const codesToOne = 5;

const confirmationSchema = z.object({
  /** SHA-256 of the code that was sent there; null: none is open. */
  code: z.string().nullable(),
  tries: z.number().int().min(0),
  until: z.number(),
  confirmedAt: z.number().nullable(),
});
type Confirmation = z.infer<typeof confirmationSchema>;
const kind: StoredKind<Confirmation> = { version: 1, schema: confirmationSchema };

interface ConfirmationsOptions {
  backend: Pick<Backend, 'getMany' | 'setMany'>;
  now: () => number;
}

/** Which places somebody has shown to be theirs: a code was sent there, and they have typed it. Nothing else is told there before. */
export class Confirmations {
  private readonly byPerson = new RateLimiterMemory({ points: codesEach, duration: daySeconds });
  private readonly byPlace = new RateLimiterMemory({ points: codesToOne, duration: daySeconds });

  private last: Promise<unknown> = Promise.resolve();

  constructor(private readonly options: ConfirmationsOptions) {}

  async isConfirmed(personId: string, place: Place): Promise<boolean> {
    return (await this.read(keyOf(personId, place)))?.confirmedAt != null;
  }

  /** A new code for that place, which is to be sent there; null: too many were. One that is confirmed stays so. */
  async newCode(personId: string, place: Place): Promise<string | null> {
    const isLetThrough = await Promise.all([
      this.byPerson.consume(personId),
      this.byPlace.consume(nameOf(place)),
    ]).then(
      () => true,
      () => false,
    );
    if (!isLetThrough) return null;
    const [key, code] = [keyOf(personId, place), String(randomInt(100_000, 1_000_000))];
    const confirmedAt = (await this.read(key))?.confirmedAt ?? null;
    const until = this.options.now() + hourMs;
    await this.write(key, { code: sha256(`${key} ${code}`), tries: 0, until, confirmedAt });
    return code;
  }

  /** Why that code confirms nothing, as a sentence; null: the place is theirs from now on. One is looked at after the other, so that each try counts. */
  confirm(personId: string, place: Place, code: string): Promise<string | null> {
    const done = this.last.then(() => this.lookAt(keyOf(personId, place), code));
    this.last = done.catch(() => undefined);
    return done;
  }

  private async lookAt(key: string, code: string): Promise<string | null> {
    const there = await this.read(key);
    if (there?.code == null) return 'No code is open for it. Have one sent.';
    if (there.until <= this.options.now()) return 'That code is older than an hour. Have another one sent.';
    if (there.tries >= mostTries) return 'Too many wrong codes. Have another one sent.';
    if (there.code !== sha256(`${key} ${code}`)) {
      await this.write(key, { ...there, tries: there.tries + 1 });
      return 'That is not the code that was sent.';
    }
    await this.write(key, { ...there, code: null, confirmedAt: this.options.now() });
    return null;
  }

  private async read(key: string): Promise<Confirmation | null> {
    const text = (await this.options.backend.getMany([key]))[key];
    return typeof text === 'string' ? ((await Vault.parse(text, kind))[0] ?? null) : null;
  }

  private write(key: string, confirmation: Confirmation): Promise<void> {
    return this.options.backend.setMany({ [key]: Vault.encode([confirmation], kind) });
  }
}

const nameOf = (place: Place) => (place.kind === 'mail' ? place.address.toLowerCase() : place.url);
const sha256 = (text: string) => createHash('sha256').update(text).digest('hex');
const keyOf = (personId: string, place: Place) =>
  `confirmed/${sha256(JSON.stringify([personId, place.kind, nameOf(place)]))}`;
