import { accessRequestSchema } from '@/core/office';
import { ChannelLink, unbatched, type Port } from '@/office/channel';
import type { ClockSetting } from '@/office/clock';
import type { DeviceProof } from '@/office/socket';

import {
  channelOf,
  hallOf,
  linkVersion,
  toTabsSchema,
  type Fault,
  type HostState,
  type ToOffice,
  type ToTabs,
  type Who,
} from './messages';
import type { KeptHost } from './keptHost';
import { Unasked } from './Unasked';

/** Whoever waits for the host asks it again so often; not heard for so many times, it is taken for gone. */
const againMs = 500;
const mostSilent = 10;
/** After so many, or at once without a network, it opens with what is known of it. */
const silentForKept = 4;
/** What it is to finish is not waited for longer: one that says nothing writes nothing. */
const finishMs = 10_000;

interface OfficeFromTabOptions {
  storage: string;
  /** Ends of channels that all tabs and workers of this browser can open by their name. */
  openPort: (name: string) => Port;
  onState: (state: HostState) => void;
  /** The host was begun anew: what this tab knows has to be read again. */
  onAnew: () => void;
  onFault: (fault: Fault) => void;
  /** The host says nothing, though this tab waits for it. */
  onSilent: () => void;
  isOnline: () => boolean;
  /** The time that the address asks for. */
  time: string | null;
  /** As whom of the office this device is used, and what it shows for that; left out: whoever its one app belongs to. */
  who?: Who;
  /** This device is used as somebody else, or is another one, than was known of it. */
  onOther?: () => void;
  /** This tab is not let in, or no longer. */
  onDenied?: (denied: Denied) => void;
  /** Shows that this is the device it says it is; null: it can't. Left out: nobody asks for that. */
  prove?: (app: string, token: string) => Promise<DeviceProof | null>;
  unasked?: Unasked;
  /** What of the office is known here, to open with where it is not reached; null: nothing. Left out: it is hosted here. */
  kept?: () => Promise<KeptHost | null>;
  /** So long what is done in a call waits for the host; left out: as long as it takes. */
  commandMs?: number;
}

export type Denied = Pick<Extract<ToTabs, { kind: 'denied' }>, 'why' | 'name' | 'zone'>;
type Me = NonNullable<Extract<ToTabs, { kind: 'joined' }>['me']>;

interface App {
  name: string;
  as: 'worker' | 'outside';
  who: Who;
  isDenied: boolean;
  link: ChannelLink | null;
  /** Whose host it has joined. */
  hostId: string | null;
  joined: (link: ChannelLink) => void;
  /** It asks for what another page has left, and nobody waits for it. */
  isLeft: boolean;
  refused: () => void;
}

/**
 * The office as a tab reaches it, wherever in this browser it is hosted: joins it, and joins again whoever hosts it next. Whoever
 * hosts it says so in a hall that all can hear; each app has a channel of its own.
 */
export class OfficeFromTab {
  private readonly hall: Port;
  private readonly apps: App[] = [];
  private readonly unasked: Unasked;
  private readonly finishing = new Map<string, () => void>();
  private hostId: string | null = null;
  /** Who has joined with the first link of this tab. */
  me: Me | null = null;
  private isLookingAtKept = false;
  /** Hosts that others have come after. */
  private readonly left = new Set<string>();
  /** How often it was asked, and nothing was heard. Counted, since a device that was asleep has heard nothing either. */
  private silent = 0;
  /** This tab is fetching what hosts the office, and tells the others so. */
  private isFetching = false;
  private readonly timer: ReturnType<typeof setInterval>;

  constructor(private readonly options: OfficeFromTabOptions) {
    this.unasked = options.unasked ?? new Unasked(options.storage);
    this.hall = options.openPort(hallOf(options.storage));
    this.hall.hear((message) => {
      const read = toTabsSchema.safeParse(message);
      if (read.success) this.hear(read.data);
    });
    this.timer = setInterval(() => this.joinAgain(), againMs);
  }

  /** A link of this tab, once there is a host. */
  join(as: App['as']): Promise<ChannelLink> {
    return new Promise((joined) => {
      const { token } = this;
      const who = token === null ? (this.options.who ?? nobody) : ({ by: 'token', token } as const);
      const app = newApp({ name: randomName(), as, who, joined });
      this.apps.push(app);
      this.askToJoin(app);
    });
  }

  /** This device has been signed in since it came. */
  isSignedIn(token: string): void {
    for (const app of this.apps) {
      if (app.isLeft) continue;
      app.who = { by: 'token', token };
      this.askToJoin(app);
    }
  }

  /** By what this device is signed in; null where nobody asks for that. */
  get token(): string | null {
    const who = this.apps.find(({ as, isLeft }) => as === 'worker' && !isLeft)?.who;
    return who?.by === 'token' ? who.token : null;
  }

  /** Comes once more, where this tab was not let in. */
  arrive(who: Who): void {
    for (const app of this.apps) {
      if (!app.isDenied) continue;
      Object.assign(app, { who, isDenied: false });
      this.askToJoin(app);
    }
  }

  /** This tab begins to host the office: until its host speaks, the tab does. */
  hostIsFetched(): void {
    this.isFetching = true;
    this.joinAgain();
  }

  setClock(setting: ClockSetting): void {
    this.say({ kind: 'clock', setting });
  }

  setOnline(isOnline: boolean): void {
    this.say({ kind: 'online', isOnline });
  }

  /** The calls of the time before the first start are there. */
  historyLaid(): void {
    this.say({ kind: 'historyLaid' });
  }

  /** What can't be read stops the office for all tabs: to go on without it would be to write over it. */
  giveUp(fault: Fault): void {
    this.say({ kind: 'giveUp', fault });
    this.options.onFault(fault);
  }

  /** Resolves once the office has written everything; with `end`, it has ended too. */
  finish(end: boolean): Promise<void> {
    const id = randomName();
    return new Promise((resolve) => {
      this.finishing.set(id, resolve);
      setTimeout(resolve, finishMs);
      this.say({ kind: 'finish', id, end });
    });
  }

  /** The page goes: what it has asked and not heard of is asked for by the next one. */
  leave(): void {
    clearInterval(this.timer);
    for (const { name, who, link } of this.apps) {
      if (link) this.unasked.keep({ app: name, who, asked: link.unanswered().filter(mayBeLeft) });
      this.say({ kind: 'leave', app: name });
    }
    this.hall.close();
  }

  private hear(message: ToTabs): void {
    this.silent = 0;
    if (message.kind !== 'state') this.isFetching = false;
    switch (message.kind) {
      case 'opening':
        return;
      case 'open':
        if (this.isOfAge(message.version)) this.apps.forEach((app) => this.askToJoin(app));
        return;
      case 'joined':
        if (this.isOfAge(message.version)) this.joined(message);
        return;
      case 'denied':
        if (this.isOfAge(message.version)) this.denied(message);
        return;
      case 'state':
        if (message.hostId === this.hostId) this.options.onState(message.state);
        return;
      case 'finished':
        this.finishing.get(message.id)?.();
        this.finishing.delete(message.id);
        return;
      case 'fault':
        return this.options.onFault(message.fault);
    }
  }

  /** A host of an earlier version is taken over; one of a later version is not understood here. */
  private isOfAge(version: number): boolean {
    if (version > linkVersion)
      this.options.onFault({
        isNoOfficeHere: false,
        words: 'A newer version of Cendro runs in another tab. Reload to get it.',
      });
    if (version < linkVersion) this.options.onSilent();
    return version === linkVersion;
  }

  private joined({ hostId, app: name, state, me }: Extract<ToTabs, { kind: 'joined' }>): void {
    const app = this.apps.find((each) => each.name === name);
    if (!app || app.hostId === hostId || this.left.has(hostId)) return;
    if (this.hostId !== null && this.hostId !== hostId) this.left.add(this.hostId);
    this.hostId = hostId;
    app.hostId = hostId;
    // From now on its device is signed in.
    if ('token' in app.who) app.who = { by: 'token', token: app.who.token };
    // Known from before, it may be somebody else by now; whoever has left something here is, where another chair was taken since.
    if (!app.isLeft) {
      if (this.me && me && this.me.deviceId !== me.deviceId) return this.options.onOther?.();
      this.me ??= me;
    }
    this.options.onState(state);
    const port = unbatched(this.options.openPort(channelOf(this.options.storage, hostId, name)));
    if (app.link) return app.link.moveTo(port);
    this.open(app, port);
  }

  private open(app: App, port: Port): void {
    const { onAnew, commandMs } = this.options;
    const options = commandMs === undefined ? {} : { commandMs };
    app.link = new ChannelLink(port, app.as === 'worker' ? { ...options, onAnew } : options);
    app.joined(app.link);
  }

  /** The office has not been heard of: this tab opens with what is known of it, until it is. */
  private async openFromKept(): Promise<void> {
    const app = this.apps.find(({ as, isLeft }) => as === 'worker' && !isLeft);
    if (!app || app.link || app.isDenied || this.isLookingAtKept) return;
    this.isLookingAtKept = true;
    const kept = await this.options.kept?.();
    this.isLookingAtKept = false;
    if (!kept || app.link || app.isDenied) return;
    this.me = kept.me;
    this.options.onState({
      clock: { mode: 'real' },
      at: 0,
      storage: 'ok',
      setAside: 0,
      isHistoryThere: true,
    });
    this.open(app, kept.port);
  }

  private denied({ app: name, why, name: office, zone }: Extract<ToTabs, { kind: 'denied' }>): void {
    const app = this.apps.find((each) => each.name === name);
    if (!app) return;
    app.isDenied = true;
    if (app.isLeft) app.refused();
    else this.options.onDenied?.({ why, name: office, zone });
  }

  /** What pages that are gone had asked is asked in their place, under their numbers; call once the office is open. */
  async askForOthers(): Promise<void> {
    for (const { app, who, asked } of this.unasked.all()) {
      if (this.apps.some(({ name }) => name === app)) continue;
      await this.askFor(app, who, asked);
      this.unasked.drop(app);
    }
  }

  private async askFor(name: string, who: Who, asked: ReturnType<ChannelLink['unanswered']>): Promise<void> {
    const app = newApp({ name, as: 'worker', who, isLeft: true });
    const joined = new Promise<ChannelLink | null>((resolve) => {
      Object.assign(app, { joined: resolve, refused: () => resolve(null) });
    });
    this.apps.push(app);
    this.askToJoin(app);
    const link = await joined;
    // One that can't be done is not asked for ever; of a device that was signed out since, none is.
    await Promise.allSettled(asked.flatMap(({ id, request }) => link?.askUnder(id, request) ?? []));
    this.apps.splice(this.apps.indexOf(app), 1);
    link?.close();
    this.say({ kind: 'leave', app: name });
  }

  private joinAgain(): void {
    if (this.isFetching) return this.hall.say({ kind: 'opening', hostId: '' } satisfies ToTabs);
    const waits = this.apps.filter(
      ({ link, isDenied, hostId }) => !isDenied && (link === null || hostId === null || link.isWaiting()),
    );
    this.silent = waits.length === 0 ? 0 : this.silent + 1;
    for (const app of waits) this.askToJoin(app);
    if (this.silent >= silentForKept || !this.options.isOnline()) void this.openFromKept();
    if (this.silent < mostSilent) return;
    this.silent = 0;
    this.options.onSilent();
  }

  private askToJoin({ name, as, who, isDenied }: App): void {
    if (isDenied) return;
    const { isOnline } = this.options;
    // What the address asks for is asked for once: it is not to turn back what the clock was set to since.
    const time = this.hostId === null ? this.options.time : null;
    const join = { kind: 'join', app: name, as, who, isOnline: isOnline(), time } as const;
    const { prove } = this.options;
    if (who.by === 'chair' || !prove) return this.say(join);
    void prove(name, who.token).then((proof) => this.say({ ...join, proof }));
  }

  private say(message: ToOffice): void {
    this.hall.say(message);
  }
}

const nobody: Who = { by: 'chair', personId: null };

const newApp = (given: Pick<App, 'name' | 'as' | 'who'> & Partial<App>): App => ({
  ...{ isDenied: false, isLeft: false, link: null, hostId: null },
  ...{ joined: () => undefined, refused: () => undefined },
  ...given,
});

/** PINs are written down nowhere: who has gone before they were answered says theirs again. */
const mayBeLeft = ({ request }: ReturnType<ChannelLink['unanswered']>[number]) =>
  !accessRequestSchema.options.some(({ shape }) => shape.type.value === request.type);

const randomName = () => Math.random().toString(36).slice(2);
