import { randomBytes, randomInt } from 'node:crypto';
import { mkdir } from 'node:fs/promises';
import { join } from 'node:path';

import type { Logger } from 'pino';
import { RateLimiterMemory } from 'rate-limiter-flexible';
import type { Socket } from 'socket.io';

import { newOffice, type NewOffice } from '@/core/setup';
import type { GuestSeen } from '@/core/guests';
import type { Session } from '@/core/office';
import {
  askedOfFilesSchema,
  askedOfSpeechSchema,
  askedOfTellingSchema,
  askedOfVoicesSchema,
  type AnswerOfFiles,
  type AnswerOfTelling,
  type AnswerOfVoices,
  type ToldOfVoices,
} from '@/office/socket';
import { askedOfGuestsSchema, type AnswerOfGuests } from '@/office/guests';
import type { HostedOffice } from '@/office/hosted';
import { OfficeForTabs, type HostBeginning } from '@/state/host';
import { setupKind, storageKeys, Vault } from '@/state/storage';

import type { Forwarding, ForwardingListener } from '../forwarding/startForwarding';
import type { SendMail } from '../telling/sendMail';
import type { SendWebhook } from '../telling/sendWebhook';
import type { Figures } from './Figures';
import type { OfficeBackend } from './backend';
import { faultWords, makeAudit } from './logs';
import { MemberFiles } from './MemberFiles';
import { MemberTelling } from './MemberTelling';
import { OfficeDoor } from './OfficeDoor';
import { Speech } from './Speech';
import { Guests } from './Guests';
import { refused, Voices, type Ways } from './Voices';

/** So long an app that has lost its connection is taken to be there still. */
const goneAfterMs = 60_000;
/** What one connection may say within a second, and how many PINs may be tried from one address within a minute. */
const saidPerSecond = 200;
const triesPerMinute = 20;
/** How often somebody may come by a link from one address within a minute; and how often it is looked who has gone. */
const knocksPerMinute = 60;
const lookForGuestsMs = 10_000;
const mostEchoedBytes = 1_000;
/** A server bears what is due (`Desk`). */
const pinCost = 15;
/** Which phones are busy is told no more often than that (`SessionLinks`). */
const gatherMs = 1_000;
const appsRemembered = 10_000;
/** What has been missed while a connection was lost; who missed more reads calls anew, and rows from their mark on. */
const mostKept = 64;

/** Where it is said what goes wrong. */
type OfficeLog = Pick<Logger, 'error'>;

interface OpenOfficeOptions {
  log: OfficeLog;
  /** Where all of it is kept. */
  backend: OfficeBackend;
  /** Where what belongs to this process lies: what is on its way elsewhere, and who came in. */
  folder: string;
  beginning: HostBeginning;
  /** What a new one begins with. */
  asNew: NewOffice | null;
  isSimulated: boolean;
  ways: Ways;
  /** What forwards voices and pictures where there are too many; left out: nothing does. */
  forwardWith?: (listener: ForwardingListener) => Forwarding;
  /** How members are told elsewhere. */
  senders: { sendMail: SendMail | null; mailFrom: string; sendWebhook: SendWebhook };
  /** Where it is counted how it fares. */
  figures: Figures;
}

/** An office that this machine hosts for whoever connects. */
export interface OpenedOffice {
  /** Serves whoever has come by a socket. */
  meet: (socket: Socket) => void;
  /** A way in for whoever runs it and has never been in; null where somebody has. */
  firstWayIn: () => Promise<{ code: string; pin: string } | null>;
  /** Why it can't be used now; null: it can. */
  fault: () => string | null;
  /** Everything is kept, and nothing more is heard; whoever is connected still is. */
  stop: () => Promise<void>;
  /** They come again, to wherever the office is by then. */
  letGo: () => void;
}

/** Reads an office from where it is kept, or begins it, and runs it from then on, whether anybody is connected or not. */
export async function openOffice(options: OpenOfficeOptions): Promise<OpenedOffice> {
  const { backend, folder, beginning, asNew, isSimulated, log, figures } = options;
  await mkdir(folder, { recursive: true, mode: 0o700 });
  await beginWhereNew(backend, asNew);
  const door: OfficeDoor = new OfficeDoor({
    ...{ storage: beginning.storage, isSimulated },
    hasJoined: (app) => host.sessionOf(app) !== null,
  });
  const sockets = new Set<Socket>();
  const stopCounting = figures.count({ office: () => host.office, connections: () => sockets.size });
  const fault = (what: string) => (error: unknown) => log.error({ what, error: faultWords(error) });
  const hosted = (): HostedOffice => {
    if (!host.office) throw new Error('The office is not open.');
    return host.office;
  };
  const tellings: MemberTelling[] = [];
  const files: MemberFiles = new MemberFiles({ backend, office: () => hosted() });
  const host: OfficeForTabs = new OfficeForTabs(beginning, {
    // A call that rang while nobody was here has ended by the time it is run.
    onOpened: (opened) => {
      const telling = new MemberTelling({
        ...{ office: opened, backend, folder: join(folder, 'deliveries'), ...options.senders },
        soundOf: (id) => files.soundOf(id),
        onFault: fault('not told elsewhere'),
      });
      tellings.push(telling);
    },
    ...{ isOnline: true, time: null, openPort: door.openPort },
    ...{ gatherMs, appsRemembered, mostKept, pinCost },
    onDone: (what, ms) => figures.requestTook(what, ms),
    openVault: (_, onStatus, onSetAside) =>
      new Vault(
        (status) => {
          if (status !== 'ok') log.error({ what: 'can’t be kept', status });
          onStatus(status);
        },
        onSetAside,
        backend,
        undefined,
        () => false,
      ),
  });
  await host.open();
  const { office } = host;
  const [telling] = tellings;
  if (!office || !telling) throw new Error('The office could not be opened.');
  office.start();
  host.everythingIsThere();
  const voices = new Voices(() => office.seen(), options.ways, options.forwardWith);
  const guests = new Guests({ seen: () => office.seen(), send: (command) => office.send(command) });
  const speech = new Speech();
  const tries = new RateLimiterMemory({ points: triesPerMinute, duration: 60 });
  const knocks = new RateLimiterMemory({ points: knocksPerMinute, duration: 60 });
  const audit = makeAudit(folder);
  office.subscribe((step) => {
    // Who has gone speaks no more; told of it, they find who is with them.
    office.onceKept(() => guests.changed(step));
    voices.changed(step);
    audit.took(step);
    office.onceKept(() => {
      void files.changed(step.rows).catch(fault('not taken out'));
      telling.changed(step);
    });
  });
  let isStopped = false;
  const sweeping = setInterval(() => door.dropWhoIsGone(), goneAfterMs);
  sweeping.unref();
  const sweepingGuests = setInterval(() => {
    void guests.dropWhoIsGone(office.clockTime).catch(fault('a guest not let go'));
  }, lookForGuestsMs);
  sweepingGuests.unref();
  return {
    meet: (socket) => {
      sockets.add(socket);
      // What is not answered is asked again.
      socket.use((_, next) => isStopped || next());
      socket.on('disconnect', () => void sockets.delete(socket));
      meet(socket, { door, host, files, telling, voices, guests, speech, tries, knocks, figures, log });
    },
    firstWayIn: async () => {
      const { people } = office.seen().office.setup;
      const runner = people.find(({ administers }) => administers);
      if (!runner || beginning.hasChairs || office.desk.access.seen.signIns.length > 0) return null;
      const session: Session = { id: 'host', personId: runner.id, deviceId: null, roles: ['member'] };
      const code = randomBytes(18).toString('base64url');
      for (;;) {
        const pin = String(randomInt(100_000, 1_000_000));
        const reply = await office.askFor(session, { type: 'givePin', personId: runner.id, pin });
        // One that could be guessed is drawn again.
        if (!reply.ok) continue;
        await office.askFor(session, { type: 'invite', personId: runner.id, code });
        return { code, pin };
      }
    },
    fault: () => host.whyNot,
    stop: async () => {
      isStopped = true;
      clearInterval(sweeping);
      clearInterval(sweepingGuests);
      telling.close();
      stopCounting();
      await host.close();
      await backend.close();
      audit.close();
    },
    letGo: () => {
      // Without a word: who is told to go does not come again.
      for (const socket of sockets) socket.conn.close();
    },
  };
}

async function beginWhereNew(backend: OfficeBackend, asNew: NewOffice | null): Promise<void> {
  const there = await backend.getMany([storageKeys.setup]);
  if (there[storageKeys.setup] != null || asNew === null) return;
  await backend.setMany({ [storageKeys.setup]: Vault.encode([newOffice(asNew)], setupKind) });
}

interface Meeting {
  door: OfficeDoor;
  host: OfficeForTabs;
  files: MemberFiles;
  telling: MemberTelling;
  voices: Voices;
  guests: Guests;
  speech: Speech;
  tries: RateLimiterMemory;
  knocks: RateLimiterMemory;
  figures: Figures;
  log: OfficeLog;
}

function meet(
  socket: Socket,
  { door, host, files, telling, voices, guests, speech, tries, knocks, figures, log }: Meeting,
): void {
  const visitor = {
    id: socket.id,
    challenge: randomBytes(24).toString('base64url'),
    say: (port: string, message: unknown) => void socket.emit('said', port, message),
  };
  const pace = new RateLimiterMemory({ points: saidPerSecond, duration: 1 });
  const from = socket.handshake.address;
  const isTooFast = async () => {
    const isIt = !(await consumed(pace, socket.id));
    if (isIt) figures.wasUnheard('too fast');
    return isIt;
  };
  let lastTried: string | null = null;
  // Before it hears that it may come.
  socket.emit('challenge', visitor.challenge);
  door.came(visitor);
  socket.on('said', (...said: unknown[]) => {
    void (async () => {
      // What comes too fast is not heard: who said it says it again.
      if (await isTooFast()) return;
      const tried = triedIn(said);
      // Said again, since nobody has answered yet, it is no other try.
      if (tried !== null && tried !== lastTried && !(await consumed(tries, from)))
        return figures.wasUnheard('too many PINs');
      lastTried = tried ?? lastTried;
      if (!door.heard(visitor, said)) figures.wasUnheard('not understood or not theirs');
    })();
  });
  socket.on('files', (asked: unknown, answer: unknown) => {
    if (typeof answer !== 'function') return;
    const reply = answer as (answer: AnswerOfFiles) => void;
    void (async () => {
      const read = askedOfFilesSchema.safeParse(asked);
      if (!read.success) return reply({ refused: 'That can’t be understood.' });
      // Not answered, it is asked again.
      if (await isTooFast()) return;
      const [session = null] = sessions();
      reply(await files.answer(session, read.data));
    })().catch((error: unknown) => {
      log.error({ what: 'file not given', error: faultWords(error) });
      reply({ refused: 'It can’t be read now.' });
    });
  });
  socket.on('telling', (asked: unknown, answer: unknown) => {
    const read = askedOfTellingSchema.safeParse(asked);
    if (typeof answer !== 'function' || !read.success) return;
    const reply = answer as (answer: AnswerOfTelling) => void;
    void (async () => {
      if (await isTooFast()) return;
      const [session = null] = sessions();
      reply(await telling.answer(session, read.data, socket.handshake.headers.origin ?? ''));
    })().catch((error: unknown) => {
      log.error({ what: 'not told elsewhere', error: faultWords(error) });
      reply({ refused: 'That can’t be done now.' });
    });
  });
  const sessions = () => door.appsOf(visitor).flatMap((app) => host.sessionOf(app) ?? []);
  const guest = { id: socket.id, tell: (seen: GuestSeen) => void socket.emit('guests', seen) };
  socket.on('guests', (asked: unknown, answer: unknown) => {
    const read = askedOfGuestsSchema.safeParse(asked);
    if (typeof answer !== 'function' || !read.success) return;
    const reply = answer as (answer: AnswerOfGuests) => void;
    void (async () => {
      const mayTry = !(await isTooFast()) && (read.data.what === 'act' || (await consumed(knocks, from)));
      reply(mayTry ? await guests.ask(guest, read.data) : { refused: 'tooMany' });
    })().catch((error: unknown) => {
      log.error({ what: 'a guest not heard', error: faultWords(error) });
      reply({ refused: 'notNow' });
    });
  });
  const speaker = { id: socket.id, tell: (told: ToldOfVoices) => void socket.emit('voices', told) };
  socket.on('voices', (asked: unknown, answer: unknown) => {
    const read = askedOfVoicesSchema.safeParse(asked);
    if (typeof answer !== 'function' || !read.success) return;
    const reply = answer as (answer: AnswerOfVoices) => void;
    void isTooFast().then((is) => {
      const who = { sessions: sessions(), legIds: guests.legsOf(guest) };
      reply(is ? refused : voices.ask(speaker, who, read.data));
    });
  });
  socket.on('speech', (asked: unknown, answer: unknown) => {
    const { data: words } = askedOfSpeechSchema.safeParse(asked);
    if (typeof answer !== 'function') return;
    const reply = answer as (sound: Buffer | null) => void;
    void isTooFast().then(async (is) =>
      reply(is || !words || sessions().length === 0 ? null : await speech.say(words)),
    );
  });
  socket.emit('seenFrom', from);
  socket.on('echo', (packet: unknown, answer: unknown) => {
    if (typeof answer !== 'function' || !Buffer.isBuffer(packet) || packet.length > mostEchoedBytes) return;
    void isTooFast().then((is) => !is && (answer as () => void)());
  });
  socket.on('disconnect', () => {
    door.left(visitor);
    voices.left(speaker);
    guests.left(guest);
  });
}

const consumed = (limiter: RateLimiterMemory, from: string) =>
  limiter.consume(from).then(
    () => true,
    () => false,
  );

/** With which PIN, and for whom, somebody comes; null: with none. */
function triedIn([, message]: unknown[]): string | null {
  const who = (message as { who?: { by?: unknown } } | null | undefined)?.who;
  return who?.by === 'pin' || who?.by === 'code' ? JSON.stringify(who) : null;
}
