import { picturePaths, type Call } from '@/core/calls/exchange';
import type { PictureKind } from '@/core/calls/meetings';
import type { DrawnPicture } from '@/office/picturing';
import { PictureLooks, type Look } from '@/office/looks';
import type { PictureSent } from '@/office/voices';
import {
  actRefused,
  meetingOf,
  selectOffice,
  selectTaken,
  send,
  type AppStore,
  type CallView,
  type MeetingPicturesHere,
  type Services,
} from '@/state/app';

/** A picture of this device. */
interface Own {
  stream: MediaStream;
  /** The office has said that it is shown. */
  isShown: boolean;
  /** Lets other tabs of this browser know that nobody shows it any more. */
  release: () => void;
}

const keyOf = (legId: string, kind: PictureKind) => `${legId}/${kind}`;
const lockOf = (legId: string, kind: PictureKind) => `cendro-shown/${keyOf(legId, kind)}`;

const ended: Readonly<Record<PictureKind, string>> = {
  camera: 'Your camera gives no picture any more: you are not seen.',
  screen: 'Your screen is not shared any more.',
};

/** The pictures of meetings as streams: those that this device shows, those that come from others, and those that are drawn for whom nobody plays. */
export class MeetingPictures implements MeetingPicturesHere {
  private readonly own = new Map<string, Own>();
  private readonly come = new Map<string, MediaStream>();
  private readonly drawn = new Map<string, DrawnPicture | null>();
  private readonly looks = new PictureLooks();
  /** What comes from others and rests now; and what of this device’s own does for somebody. */
  private readonly resting = new Map<string, readonly PictureKind[]>();
  private readonly ownResting = new Map<string, ReadonlySet<PictureKind>>();
  private readonly listeners = new Set<() => void>();
  /** What is sent is another now. */
  onSent: () => void = () => undefined;

  constructor(
    private readonly store: AppStore,
    private readonly services: Services,
  ) {}

  subscribe(listener: () => void): () => void {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }

  streamOf(legId: string, kind: PictureKind): MediaStream | null {
    const key = keyOf(legId, kind);
    return this.own.get(key)?.stream ?? this.come.get(key) ?? this.drawn.get(key)?.stream ?? null;
  }

  async show(legId: string, kind: PictureKind, stream: MediaStream): Promise<boolean> {
    const key = keyOf(legId, kind);
    this.close(key);
    const own: Own = { stream, isShown: false, release: await this.hold(lockOf(legId, kind)) };
    this.own.set(key, own);
    for (const track of stream.getVideoTracks())
      track.addEventListener('ended', () => {
        if (this.own.get(key) !== own) return;
        this.stop(legId, kind);
        this.store.dispatch(actRefused(ended[kind]));
      });
    const result = await this.store.dispatch(send({ type: 'inMeeting', legId, act: { act: 'show', kind } }));
    if (!result?.ok && this.own.get(key) === own) this.close(key);
    this.changed();
    return result?.ok ?? false;
  }

  stop(legId: string, kind: PictureKind): void {
    this.close(keyOf(legId, kind));
    this.changed();
    const picture = this.mine(legId).find((each) => each.kind === kind);
    if (picture)
      void this.store.dispatch(
        send({ type: 'inMeeting', legId, act: { act: 'stopShowing', pictureId: picture.id } }),
      );
  }

  look(element: object, at: Look | null): void {
    this.looks.set(element, at);
    this.onSent();
  }

  rests(legId: string, kind: PictureKind): boolean {
    return (
      (this.resting.get(legId)?.includes(kind) ?? false) || (this.ownResting.get(legId)?.has(kind) ?? false)
    );
  }

  /** How large what is seen of others in a call is looked at here. */
  looksAt(view: CallView) {
    return this.looks.at((meetingOf(view)?.pictures ?? []).filter(({ isMine }) => !isMine));
  }

  /** Of what comes from another end that much rests now. */
  restsThere(legId: string, kinds: readonly PictureKind[]): void {
    this.resting.set(legId, kinds);
    this.tell();
  }

  /** Of what is shown at this device’s own end that much rests for somebody. */
  restsHere(legId: string, kinds: ReadonlySet<PictureKind>): void {
    const before = this.ownResting.get(legId);
    if ((before?.size ?? 0) === kinds.size && [...kinds].every((kind) => before?.has(kind))) return;
    this.ownResting.set(legId, kinds);
    this.tell();
  }

  /** What goes out from that end of a call, and to whom. */
  sentFrom(call: Call, legId: string): PictureSent[] {
    const sent = new Map<PictureKind, string[]>();
    for (const { picture, to } of picturePaths(call))
      if (picture.legId === legId) sent.set(picture.kind, [...(sent.get(picture.kind) ?? []), to]);
    return [...sent].flatMap(([kind, to]) => {
      const [track] = this.own.get(keyOf(legId, kind))?.stream.getVideoTracks() ?? [];
      return track ? [{ kind, track, to }] : [];
    });
  }

  /** What is shown at that end of a call, with the sound that some of it has. */
  shownAt(legId: string): MediaStream[] {
    return [...this.own].flatMap(([key, { stream }]) => (key.startsWith(`${legId}/`) ? [stream] : []));
  }

  /** A picture comes from somebody else's browser, or comes no more. */
  came(legId: string, kind: PictureKind, stream: MediaStream | null): void {
    if (stream) this.come.set(keyOf(legId, kind), stream);
    else this.come.delete(keyOf(legId, kind));
    this.tell();
  }

  /** Calls are other ones now. */
  follow(): void {
    const views = selectTaken(this.store.getState());
    const shown = new Set<string>();
    const drawn = new Map<string, { seed: string; kind: PictureKind }>();
    for (const view of views)
      for (const { id, legId, kind, isMine } of meetingOf(view)?.pictures ?? []) {
        const key = keyOf(legId, kind);
        if (!isMine) {
          const seed = this.seedOf(view, legId);
          if (seed !== null) drawn.set(key, { seed, kind });
          continue;
        }
        shown.add(key);
        const own = this.own.get(key);
        if (own) own.isShown = true;
        else void this.endWhatNobodyShows(legId, kind, id);
      }
    // A host has taken it away, or the call is over.
    const legIds = new Set(views.map(({ me }) => me.legId));
    for (const [key, { isShown }] of this.own) {
      const isInCall = legIds.has(key.split('/')[0] ?? '');
      if (isInCall && (!isShown || shown.has(key))) continue;
      this.close(key);
      if (isInCall) this.store.dispatch(actRefused('What you showed was taken out of the meeting.'));
    }
    this.draw(drawn);
    this.changed();
  }

  end(): void {
    for (const key of this.own.keys()) this.close(key);
    this.draw(new Map());
  }

  private mine(legId: string) {
    const view = selectTaken(this.store.getState()).find(({ me }) => me.legId === legId);
    return (view && meetingOf(view)?.pictures.filter(({ isMine }) => isMine)) ?? [];
  }

  /** Who is drawn where nobody's browser sends a picture; null: somebody's does. */
  private seedOf({ call }: CallView, legId: string): string | null {
    const endpoint = call.legs.find(({ id }) => id === legId)?.endpoint;
    if (endpoint?.kind === 'outside') {
      const isOpen = call.meeting?.links.some(
        ({ forLegId, openAt }) => forLegId === legId && openAt !== null,
      );
      const isSent = this.services.server !== null && (endpoint.guestId !== undefined || isOpen === true);
      return isSent ? null : (endpoint.number ?? legId);
    }
    if (endpoint?.kind !== 'device') return null;
    const device = selectOffice(this.store.getState()).devices.get(endpoint.deviceId);
    return this.services.server && device?.kind === 'app' ? null : (device?.personId ?? endpoint.deviceId);
  }

  private draw(wanted: ReadonlyMap<string, { seed: string; kind: PictureKind }>): void {
    for (const [key, picture] of this.drawn)
      if (!wanted.has(key)) {
        picture?.stop();
        this.drawn.delete(key);
      }
    for (const [key, { seed, kind }] of wanted) {
      if (this.drawn.has(key)) continue;
      this.drawn.set(key, null);
      void import('@/office/picturing').then(({ drawPicture }) => {
        if (this.drawn.get(key) !== null) return;
        this.drawn.set(key, drawPicture(seed, kind));
        this.changed();
      });
    }
  }

  /** Shown by a page that is gone, as after it was loaded again: nobody is to be thought to be seen who is not. Another tab may show it. */
  private async endWhatNobodyShows(legId: string, kind: PictureKind, pictureId: string): Promise<void> {
    await navigator.locks?.request(lockOf(legId, kind), { ifAvailable: true }, async (lock) => {
      if (!lock || this.own.has(keyOf(legId, kind))) return;
      await this.services.link?.send({ type: 'inMeeting', legId, act: { act: 'stopShowing', pictureId } });
    });
  }

  /** Holds a lock until it is released; whoever held it before, in another tab, is waited for. */
  private hold(name: string): Promise<() => void> {
    return new Promise((resolve) => {
      if (!navigator.locks) return resolve(() => undefined);
      void navigator.locks.request(name, () => new Promise<void>((release) => resolve(release)));
    });
  }

  private close(key: string): void {
    const own = this.own.get(key);
    if (!own) return;
    this.own.delete(key);
    own.release();
    for (const track of own.stream.getTracks()) track.stop();
  }

  /** Also what is sent may be another now. */
  private changed(): void {
    this.onSent();
    this.tell();
  }

  private tell(): void {
    for (const listener of this.listeners) listener();
  }
}
