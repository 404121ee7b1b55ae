import type { Denied, Session } from '@/core/office';
import type { OfficeSetup } from '@/core/setup';
import { seating, withContact, withoutContact } from '@/core/setup/changes';
import { batched, ChannelHost, type Port } from '@/office/channel';
import { signInIdOf, type HostedOffice } from '@/office/hosted';
import { Clock } from '@/office/clock';

import { Vault } from '../storage';
import {
  channelOf,
  hallOf,
  linkVersion,
  toOfficeSchema,
  type Begin,
  type Fault,
  type HostState,
  type ToOffice,
  type ToTabs,
  type Who,
} from '../tabs';
import { isPlayed, NoOfficeHere, openHost, type Host, type HostBeginning } from './openHost';
import { Presence } from './Presence';

/** Nothing said in this browser gets lost: that nothing has been missed need not be said often. */
const beatMs = 20_000;

/** An app that has joined: as whom, and by which signed-in device (null: by none). */
interface Joined {
  session: Session;
  signInId: string | null;
  channel: ChannelHost;
}

interface OfficeForTabsOptions extends Omit<Begin, 'office'> {
  /** Ends of channels that all tabs and workers of this browser can open by their name. */
  openPort: (name: string) => Port;
  /** How long what was asked took until it was kept (`HostedOffice`). */
  onDone?: (what: 'send' | 'ask', ms: number) => void;
  /** Of many apps (`HostedOffice`): how long what concerns nobody in particular is gathered, and of how many of them it is remembered what they were answered. */
  gatherMs?: number;
  appsRemembered?: number;
  /** How many updates are kept for an app that has missed some (`ChannelHost`). */
  mostKept?: number;
  /** Is given the office before anything happens in it. */
  onOpened?: (office: HostedOffice) => void;
  /** For tests, in which nobody guesses: how costly that would be. */
  pinCost?: number;
  openVault?: (...to: Parameters<typeof Vault.named>) => Vault;
}

/** Somebody at their app, or whoever the office's one app belongs to; they also see to what this device keeps. */
function workerOf({ devices }: OfficeSetup, whose: string | null): Session {
  for (const { kind, personId, id, contactOf } of devices)
    if (
      kind === 'app' &&
      contactOf === undefined &&
      personId !== null &&
      (whose === null || personId === whose)
    )
      return { id, personId, deviceId: id, roles: ['member', 'administrator'] };
  throw new Error('Nobody of this office has an app.');
}

/** The device that a sign-in is. */
const contactOf = (signInId: string) => `app-${signInId.slice(0, 16)}`;

const outside: Session = { id: 'outside', personId: null, deviceId: null, roles: ['simulator', 'network'] };

/** Hosts the office for all tabs of this browser: each joins it in a hall that all can hear, and has a channel of its own. */
export class OfficeForTabs {
  private readonly id = Math.random().toString(36).slice(2);
  private readonly hall: Port;
  private readonly vault: Vault;
  private readonly clock = new Clock();
  private readonly apps = new Map<string, Joined>();
  /** Apps whose PIN is being looked at. */
  private readonly arriving = new Set<string>();
  private host: Host | null = null;
  /** Who is there of real people; null where it is a model. */
  private presence: Presence | null = null;
  private isOnline: boolean;
  private isOver = false;
  private fault: Fault | null = null;
  private state: Omit<HostState, 'clock' | 'at'> = { storage: 'ok', setAside: 0, isHistoryThere: false };

  constructor(
    private readonly beginning: HostBeginning,
    private readonly options: OfficeForTabsOptions,
  ) {
    this.isOnline = options.isOnline;
    this.hall = options.openPort(hallOf(beginning.storage));
    this.hall.hear((message) => {
      const read = toOfficeSchema.safeParse(message);
      if (read.success && (!this.isOver || read.data.kind === 'join')) void this.hear(read.data);
    });
    this.vault = (options.openVault ?? Vault.named)(
      beginning.storage,
      (storage) => this.changeState({ storage }),
      ({ count }) => this.changeState({ setAside: this.state.setAside + count }),
    );
  }

  /** Reads what was kept; from then on it can be joined. */
  async open(): Promise<void> {
    const { vault, clock, id: hostId } = this;
    this.say({ kind: 'opening', hostId });
    try {
      this.host = await openHost(this.beginning, {
        ...{ vault, clock, time: this.options.time, pinCost: this.options.pinCost },
        ...{ gatherMs: this.options.gatherMs, appsRemembered: this.options.appsRemembered },
        isOnline: () => this.isOnline,
        ...(this.options.onDone && { onDone: this.options.onDone }),
        onFault: (error) => this.fail(error),
      });
    } catch (error) {
      return this.fail(error);
    }
    const { office } = this.host;
    this.options.onOpened?.(office);
    office.subscribe(({ accessRows }) => {
      for (const { kind, id, now } of accessRows) if (kind === 'signIn' && now === null) this.signOut(id);
    });
    if (this.beginning.isReal) await this.findWhoIsThere(office);
    if (!this.fault) this.say({ kind: 'open', hostId, version: linkVersion });
  }

  /** The office itself, for who hosts it on a machine of its own; null: it is not open. */
  get office(): HostedOffice | null {
    return this.host?.office ?? null;
  }

  /** Why it can’t be used now; null: it can. */
  get whyNot(): string | null {
    if (this.fault) return this.fault.words;
    if (!this.host || this.isOver) return 'The office is not open.';
    return this.state.storage === 'ok' ? null : 'What is done can’t be kept.';
  }

  /** As whom an app has joined; null: it has not. */
  sessionOf(app: string): Session | null {
    return this.apps.get(app)?.session ?? null;
  }

  /** No calls of before the first start are laid down by anybody. */
  everythingIsThere(): void {
    this.changeState({ isHistoryThere: true });
  }

  /** All is written, and nothing more from then on. */
  async close(): Promise<void> {
    this.isOver = true;
    await this.end();
  }

  private async hear(message: ToOffice): Promise<void> {
    switch (message.kind) {
      case 'join':
        return this.join(message);
      case 'leave':
        return this.leave(message.app);
      case 'clock':
        this.clock.set(message.setting);
        return this.clockChanged();
      case 'online':
        return this.connectionChanged(message.isOnline);
      case 'historyLaid':
        return this.changeState({ isHistoryThere: true });
      case 'finish':
        if (message.end) await this.end();
        else await this.vault.flush();
        this.say({ kind: 'finished', id: message.id });
        this.isOver = message.end;
        return;
      case 'giveUp':
        return this.giveUp(message.fault);
    }
  }

  private async join(asked: Extract<ToOffice, { kind: 'join' }>): Promise<void> {
    const { app, as, who, isOnline, time } = asked;
    const key = asked.proof?.key ?? null;
    const { host, id: hostId } = this;
    if (this.fault) return this.say({ kind: 'fault', hostId, fault: this.fault });
    // One that has ended for something that is being written is silent for nobody.
    if (!host || this.isOver) return this.say({ kind: 'opening', hostId });
    const there = this.apps.get(app);
    // Its device was signed in since it came.
    if (there && who.by === 'token') await this.isBy(host, there, who.token, key);
    const came = there ?? (await this.arrive(host, app, who, key));
    if (came === null) return;
    if ('code' in came) return this.deny(app, came, host);
    const { signInId } = came;
    // Who plays those outside has come in like anybody.
    const session = as === 'worker' ? came.session : outside;
    if (this.isOver) return this.say({ kind: 'opening', hostId });
    // Asked for again meanwhile, it may have joined.
    if (!this.apps.has(app)) {
      const before = this.clock.get();
      host.showTime(time);
      if (this.clock.get() !== before) this.clockChanged();
      const { mostKept } = this.options;
      const link = host.office.linkFor(session);
      const port = this.options.openPort(channelOf(this.beginning.storage, hostId, app));
      const channel = new ChannelHost(link, batched(port), {
        app,
        beatMs,
        ...(mostKept !== undefined && { mostKept }),
      });
      this.apps.set(app, { session, signInId, channel });
      if (session.deviceId !== null) await this.presence?.came(session.deviceId);
    }
    const { personId: sits, deviceId } = session;
    const me = sits === null || deviceId === null ? null : { personId: sits, deviceId };
    this.say({ kind: 'joined', hostId, version: linkVersion, app, state: this.stateNow(host), me });
    this.connectionChanged(isOnline);
    // What is due waits for somebody at the worker's phone, whom no stand-in plays.
    if (as === 'worker') host.office.start();
  }

  /** By which sign-in an app is there from now on: one of the same person, and none that is not. */
  private async isBy({ office }: Host, there: Joined, token: string, key: string | null): Promise<void> {
    const isIt = await office.desk.isDeviceOf(there.session.personId, token, key);
    if (isIt) there.signInId = signInIdOf(token);
  }

  /** Who comes, by what they show; null: that is being looked at already. */
  private async arrive(
    host: Host,
    app: string,
    who: Who,
    key: string | null,
  ): Promise<Pick<Joined, 'session' | 'signInId'> | Denied | null> {
    const { desk } = host.office;
    const { hasChairs, isReal = false } = this.beginning;
    const chair = who.by === 'chair' && hasChairs ? who.personId : null;
    // Where nobody has a PIN it does not matter what is shown.
    if (hasChairs || (!isReal && !desk.access.hasPins))
      return { session: await this.seat(host, chair), signInId: null };
    if (who.by === 'chair') return { code: 'signIn' };
    if (this.arriving.has(app)) return null;
    this.arriving.add(app);
    const answer = await desk.letIn(who, key).finally(() => this.arriving.delete(app));
    if (!answer.ok) return answer.why;
    const session = await this.seat(host, answer.personId, answer.signInId);
    // Nobody is let in as somebody else.
    return session.personId === answer.personId ? { session, signInId: answer.signInId } : { code: 'signIn' };
  }

  private deny(app: string, why: Denied, { office }: Host): void {
    const { name, zone } = office.seen().office.setup;
    this.say({ kind: 'denied', hostId: this.id, version: linkVersion, app, why, name, zone });
  }

  private leave(app: string): void {
    const there = this.apps.get(app);
    this.apps.delete(app);
    there?.channel.close();
    const { deviceId = null } = there?.session ?? {};
    if (deviceId !== null) this.presence?.left(deviceId);
  }

  /** Places where nobody is signed in any more go, and devices are signed in as whoever is at them comes. */
  private async findWhoIsThere(office: HostedOffice): Promise<void> {
    const { access } = office.desk;
    const places = new Set(access.seen.signIns.map(({ id }) => contactOf(id)));
    await office.register((setup) =>
      setup.devices
        .filter(({ id, contactOf: of }) => of !== undefined && !places.has(id))
        .reduce((now, { id }) => withoutContact(now, id), setup),
    );
    this.presence = new Presence(office);
    const { office: index } = office.seen();
    this.presence.open(office.signedIn, index.devices, (device) => isPlayed(this.beginning, device));
  }

  /** A device is signed out: whoever uses it is told nothing more. */
  private signOut(signInId: string): void {
    for (const [app, { signInId: by }] of this.apps) {
      if (by !== signInId) continue;
      this.leave(app);
      if (this.host) this.deny(app, { code: 'signedOut' }, this.host);
    }
    void this.host?.office.register((setup) => withoutContact(setup, contactOf(signInId)));
  }

  /** Whoever is to use this device; who has no app of theirs yet gets one, as from whoever runs the office. Who is not there: its one app's owner. */
  private async seat(host: Host, personId: string | null, signInId: string | null = null): Promise<Session> {
    const { office } = host;
    const { setup } = office.seen().office;
    if (personId === null || !setup.people.some(({ id }) => id === personId)) return workerOf(setup, null);
    const edits = seating(setup, personId);
    if (edits.length === 0) return this.place(host, workerOf(setup, personId), signInId);
    const runner = setup.people.find(({ administers }) => administers)?.id ?? null;
    const roles = [...workerOf(setup, null).roles];
    await office.askFor(
      { id: 'host', personId: runner, deviceId: null, roles },
      { type: 'changeOffice', edits },
    );
    const { setup: now } = office.seen().office;
    const isSeated = seating(now, personId).length === 0;
    return this.place(host, workerOf(now, isSeated ? personId : null), isSeated ? signInId : null);
  }

  /** Where real people come, each device that is signed in is one of its own beside their others. */
  private async place({ office }: Host, session: Session, signInId: string | null): Promise<Session> {
    const { personId } = session;
    const signIn = signInId === null ? null : office.desk.access.signIn(signInId);
    if (!this.beginning.isReal || personId === null || !signIn) return session;
    const id = contactOf(signIn.id);
    await office.register((setup) => withContact(setup, personId, { id, name: signIn.name }));
    return { ...session, id, deviceId: id };
  }

  private connectionChanged(isOnline: boolean): void {
    if (this.isOnline === isOnline) return;
    this.isOnline = isOnline;
    this.host?.office.connectionChanged();
  }

  private clockChanged(): void {
    void this.host?.keepClock();
    this.changeState({});
  }

  private changeState(change: Partial<typeof this.state>): void {
    this.state = { ...this.state, ...change };
    if (this.host) this.say({ kind: 'state', hostId: this.id, state: this.stateNow(this.host) });
  }

  private stateNow({ office }: Host): HostState {
    return { ...this.state, clock: this.clock.get(), at: office.now };
  }

  private fail(error: unknown): void {
    const words = error instanceof Error ? error.message : String(error);
    this.giveUp({ isNoOfficeHere: error instanceof NoOfficeHere, words });
  }

  private giveUp(fault: Fault): void {
    this.fault ??= fault;
    this.host?.office.close();
    this.say({ kind: 'fault', hostId: this.id, fault: this.fault });
  }

  private async end(): Promise<void> {
    this.presence?.close();
    this.host?.office.close();
    for (const { channel } of this.apps.values()) channel.close();
    await this.vault.close();
  }

  private say(message: ToTabs): void {
    this.hall.say(message);
  }
}
