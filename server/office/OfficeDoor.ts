import type { Port } from '@/office/channel';
import { saidSchema } from '@/office/socket';
import { hallOf, toOfficeSchema, toTabsSchema, type ToOffice, type ToTabs } from '@/state/tabs';

import { isProven } from './isProven';

/** One connection, as far as the door knows it. */
export interface Visitor {
  id: string;
  /** What it is to sign with the key of its device, and nobody else is. */
  challenge: string;
  say: (port: string, message: unknown) => void;
}

interface Owner {
  visitor: Visitor;
  /** What it showed when it first came: who shows the same may come in its place. */
  shown: string | null;
}

/** More than a page with Outside, and what those before it have left, needs. */
const mostApps = 30;

interface DoorOptions {
  /** The name under which the office is kept. */
  storage: string;
  /** Whether whoever comes may play those outside, and set the clock. */
  isSimulated: boolean;
  /** Whether an app has been let in. */
  hasJoined: (app: string) => boolean;
}

/**
 * Where connections meet the office: what is meant for one app goes to the connection that this app came by, and to no other; what an app
 * says is heard only by that connection. Whoever knows nothing but names gets nothing.
 */
export class OfficeDoor {
  private readonly hall: string;
  private readonly visitors = new Map<string, Visitor>();
  /** By the names of their apps. */
  private readonly owners = new Map<string, Owner>();
  private readonly listeners = new Map<string, (message: unknown) => void>();
  /** The last word of how the office is: open, being opened, or at fault. */
  private standing: ToTabs | null = null;

  constructor(private readonly options: DoorOptions) {
    this.hall = hallOf(options.storage);
  }

  /** The office's own ends of channels. */
  readonly openPort = (name: string): Port => ({
    hear: (listener) => void this.listeners.set(name, listener),
    close: () => void this.listeners.delete(name),
    say: (message) => (name === this.hall ? this.sayInHall(message) : this.sayToApp(name, message)),
  });

  /** Somebody has connected: they are told how the office is. */
  came(visitor: Visitor): void {
    this.visitors.set(visitor.id, visitor);
    if (this.standing) visitor.say(this.hall, this.standing);
  }

  /** The connection is lost; its apps may come again by another one. */
  left(visitor: Visitor): void {
    this.visitors.delete(visitor.id);
  }

  /** Apps that came by a connection that is lost, and have not come again by now, leave. */
  dropWhoIsGone(): void {
    for (const [app, { visitor }] of this.owners)
      if (!this.visitors.has(visitor.id)) this.hear(visitor, this.hall, { kind: 'leave', app });
  }

  /** The apps that came by a connection. */
  appsOf(visitor: Visitor): string[] {
    return [...this.owners].flatMap(([app, owner]) => (owner.visitor.id === visitor.id ? [app] : []));
  }

  /** Something was said at a connection. Gives whether it was understood and allowed. */
  heard(visitor: Visitor, said: unknown): boolean {
    const read = saidSchema.safeParse(said);
    return read.success && this.hear(visitor, ...read.data);
  }

  private hear(visitor: Visitor, port: string, message: unknown): boolean {
    if (port === this.hall) return this.hearInHall(visitor, message);
    const owner = this.owners.get(appOf(port));
    if (owner?.visitor.id !== visitor.id) return false;
    this.listeners.get(port)?.(message);
    return true;
  }

  private hearInHall(visitor: Visitor, message: unknown): boolean {
    const read = toOfficeSchema.safeParse(message);
    const allowed = read.success ? this.allowed(visitor, read.data) : null;
    if (allowed === null) return false;
    this.listeners.get(this.hall)?.(allowed);
    if (allowed.kind === 'leave') this.owners.delete(allowed.app);
    return true;
  }

  /** What of it an app may say to an office that is not its own browser’s; null: nothing. */
  private allowed(visitor: Visitor, message: ToOffice): ToOffice | null {
    const { isSimulated, hasJoined } = this.options;
    switch (message.kind) {
      case 'join': {
        if (message.as === 'outside' && !isSimulated) return null;
        const { proof = null, who } = message;
        if (proof && !(who.by !== 'chair' && isProven(proof, visitor.challenge, message.app, who.token)))
          return null;
        const owner = this.owners.get(message.app);
        const shown = shownBy(message);
        if (owner && !this.mayComeAgain(owner, visitor, message.app, shown)) return null;
        if (!owner && this.appsOf(visitor).length >= mostApps) return null;
        this.owners.set(message.app, { visitor, shown });
        return { ...message, isOnline: true, time: isSimulated ? message.time : null };
      }
      case 'leave':
        return this.owners.get(message.app)?.visitor.id === visitor.id ? message : null;
      case 'clock':
        return isSimulated && this.appsOf(visitor).some(hasJoined) ? message : null;
      case 'online':
      case 'historyLaid':
      case 'finish':
      case 'giveUp':
        return null;
    }
  }

  /**
   * By the same connection, with something else to show as long as it is not let in; by another one, where the first is lost or it is the same
   * device that has connected anew before that was noticed.
   */
  private mayComeAgain(owner: Owner, visitor: Visitor, app: string, shown: string | null): boolean {
    if (owner.shown !== shown) return owner.visitor.id === visitor.id && !this.options.hasJoined(app);
    return owner.visitor.id === visitor.id || shown !== null || !this.visitors.has(owner.visitor.id);
  }

  private sayInHall(message: unknown): void {
    const read = toTabsSchema.parse(message);
    if ('app' in read) return this.owners.get(read.app)?.visitor.say(this.hall, read);
    if (read.kind !== 'state' && read.kind !== 'finished') this.standing = read;
    for (const visitor of this.visitors.values()) visitor.say(this.hall, read);
  }

  private sayToApp(port: string, message: unknown): void {
    this.owners.get(appOf(port))?.visitor.say(port, message);
  }
}

/** The app whose channel it is (`channelOf`). */
const appOf = (port: string) => port.slice(port.lastIndexOf('/') + 1);

/** What whoever comes in its place has to show too. */
const shownBy = ({ who, proof }: Extract<ToOffice, { kind: 'join' }>): string | null =>
  who.by === 'chair' ? null : JSON.stringify([who.token, proof?.key ?? null]);
