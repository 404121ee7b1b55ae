import { beginsKeyPicture, Continued, ContinuedVp8, forwardLimits, Loudest } from '@/core/calls/forwarding';
import type { PictureKind } from '@/core/calls/meetings';
import type { CameraSize, FromOffice, PictureOf, Want } from '@/office/forwarding';

import { Connection, type Came } from './Connection';
import type { FromForwarder, Reach, ToForwarder } from './protocol';

const times = {
  /** So often it is looked who is loud, and who looks at what. */
  lookMs: 80,
  /** Nobody is asked more often for a whole picture. */
  askMs: 400,
  /** Whoever is connected and has said nothing by then is muted. */
  mutedMs: 1_500,
  /** A size that has not come for so long is not sent at all. */
  restsMs: 1_200,
} as const;

/** A place at which something goes to an end. */
interface Out {
  end: End;
  place: number;
  /** Which source it has: an end’s voice, or one of its pictures. */
  source: string | null;
  stream: Continued;
}
interface PictureOut extends Out {
  picture: PictureOf | null;
  images: ContinuedVp8;
  /** The size that goes there now; null: none yet. */
  size: CameraSize | null;
  /** The one that is to. */
  next: CameraSize;
}

interface End {
  id: string;
  connection: Connection | null;
  /** Of several offers in a row the last one is meant. */
  offers: number;
  /** Ways that were told before there was a connection. */
  candidates: (RTCIceCandidateInit | null)[];
  /** Since when they are connected, until it has been told; null: they are not, or it has. */
  connectedAt: number | null;
  mayHear: ReadonlySet<string>;
  maySee: ReadonlySet<string>;
  wants: readonly (Want | null)[];
  voices: Out[];
  pictures: PictureOut[];
  looked: Record<PictureKind, number>;
}

/** One size of a picture, as it comes. */
interface Layer {
  cameAt: number;
  askedAt: number;
}

const keyOf = ({ legId, kind }: PictureOf) => `${legId}/${kind}`;
const unlooked: Readonly<Record<PictureKind, number>> = { camera: 0, screen: 0 };

/**
 * Sends on what comes from each end to those who may hear and see it, as it came (a selective forwarding middlebox, RFC 7667 §3.7): of voices the
 * loudest, of pictures those that are looked at, in the size in which they are.
 */
export class Forwarder {
  private readonly ends = new Map<string, End>();
  /** Where each source goes. */
  private readonly voicesTo = new Map<string, Set<Out>>();
  private readonly picturesTo = new Map<string, Set<PictureOut>>();
  /** What comes of each picture, by its size. */
  private readonly layers = new Map<string, Map<CameraSize, Layer>>();
  private readonly loudest = new Loudest();
  private readonly looking: ReturnType<typeof setInterval>;

  constructor(
    private readonly tell: (told: FromForwarder) => void,
    private readonly reach: Reach,
    private readonly now: () => number = () => performance.now(),
  ) {
    this.looking = setInterval(() => this.look(), times.lookMs);
    this.looking.unref();
  }

  async hear(asked: ToForwarder): Promise<void> {
    const end = this.endAt(asked.end);
    switch (asked.do) {
      case 'offer':
        return this.open(end, asked.sdp);
      case 'candidate':
        // It may come while its offer is still being taken.
        if (!end.connection) return void end.candidates.push(asked.candidate);
        return end.connection.addCandidate(asked.candidate);
      case 'may':
        end.mayHear = new Set(asked.hear);
        end.maySee = new Set(asked.see.map(keyOf));
        // At once: nobody is heard for another moment by whoever may not.
        this.chooseVoices(end);
        return this.choosePictures(end);
      case 'wants':
        end.wants = asked.wants;
        return this.choosePictures(end);
      case 'leave':
        return this.leave(end);
    }
  }

  async close(): Promise<void> {
    clearInterval(this.looking);
    await Promise.all([...this.ends.values()].map((end) => this.leave(end)));
  }

  private endAt(id: string): End {
    const known = this.ends.get(id);
    if (known) return known;
    const end: End = {
      ...{
        id,
        connection: null,
        offers: 0,
        candidates: [],
        connectedAt: null,
        mayHear: new Set(),
        maySee: new Set(),
        wants: [],
      },
      ...{ voices: [], pictures: [], looked: { ...unlooked } },
    };
    end.voices = Array.from({ length: forwardLimits.voices }, (_, place) => ({
      ...{ end, place, source: null, stream: new Continued(48_000) },
    }));
    end.pictures = Array.from({ length: forwardLimits.pictures }, (_, place) => ({
      ...{ end, place, source: null, picture: null, stream: new Continued(90_000) },
      ...{ images: new ContinuedVp8(), size: null, next: 's' },
    }));
    this.ends.set(id, end);
    return end;
  }

  private async open(end: End, sdp: string): Promise<void> {
    const offer = ++end.offers;
    const before = end.connection;
    end.connection = null;
    end.candidates = [];
    await before?.close();
    const connection = await Connection.open(sdp, {
      reach: this.reach,
      onVoice: (came, level) => this.forwardVoice(end.id, came, level),
      onPicture: (kind, size, came) => this.forwardPicture(keyOf({ legId: end.id, kind }), size, came),
      onUnreadable: (place) => {
        const out = end.pictures[place];
        if (out?.source && out.size) this.askForWhole(out.source, out.size);
      },
      onConnected: () => (end.connectedAt = this.now()),
      onLost: () => {
        if (end.connection === connection) this.say(end, { again: true });
      },
    });
    if (end.offers !== offer || this.ends.get(end.id) !== end) return connection.close();
    end.connection = connection;
    for (const candidate of end.candidates.splice(0)) await connection.addCandidate(candidate);
    this.say(end, { answer: { sdp: connection.answer } });
    this.sayVoices(end);
    this.say(end, { looked: end.looked });
    // Their pictures begin anew at this connection.
    for (const out of end.pictures) out.size = null;
    this.sayPictures(end);
  }

  private async leave(end: End): Promise<void> {
    this.ends.delete(end.id);
    for (const out of end.voices) move(this.voicesTo, out, null);
    for (const out of end.pictures) move(this.picturesTo, out, null);
    this.loudest.forget(end.id);
    for (const kind of ['camera', 'screen'] as const) this.layers.delete(keyOf({ legId: end.id, kind }));
    await end.connection?.close();
  }

  private forwardVoice(from: string, came: Came, level: number | null): void {
    const at = this.now();
    if (level !== null) this.loudest.note(from, level, at);
    this.tellConnected(this.ends.get(from));
    for (const { end, place, stream } of this.voicesTo.get(from) ?? [])
      end.connection?.sendVoice(place, { ...came, ...stream.next(String(came.ssrc), came, at) }, level);
  }

  private forwardPicture(source: string, size: CameraSize, came: Came): void {
    const at = this.now();
    const layers = this.layers.get(source) ?? new Map<CameraSize, Layer>();
    const layer = layers.get(size) ?? { cameAt: at, askedAt: -Infinity };
    layer.cameAt = at;
    layers.set(size, layer);
    this.layers.set(source, layers);
    const isWhole = beginsKeyPicture(came.payload);
    for (const out of this.picturesTo.get(source) ?? []) {
      // A whole picture that can't be sent yet would be missed by all that follow it.
      if (!out.end.connection?.isConnected) continue;
      if (isWhole && out.next === size && out.size !== size) {
        const isFirst = out.size === null;
        out.size = size;
        if (isFirst) this.sayPictures(out.end);
      }
      if (out.size !== size) continue;
      const from = String(came.ssrc);
      const payload = out.images.next(from, came.payload);
      out.end.connection.sendPicture(out.place, { ...came, ...out.stream.next(from, came, at), payload });
    }
  }

  private look(): void {
    const mutedSince = this.now() - times.mutedMs;
    for (const end of this.ends.values()) {
      this.chooseVoices(end);
      if (end.connectedAt !== null && end.connectedAt < mutedSince) this.tellConnected(end);
    }
    this.chooseSizes();
    this.sayLooked();
  }

  private tellConnected(end: End | undefined): void {
    if (!end || end.connectedAt === null) return;
    end.connectedAt = null;
    this.tell({ told: 'connected', end: end.id });
  }

  private chooseVoices(end: End): void {
    const before = end.voices.map(({ source }) => source);
    const chosen = this.loudest.choose(before, end.mayHear, this.now());
    if (chosen === before) return;
    end.voices.forEach((out, place) => move(this.voicesTo, out, chosen[place] ?? null));
    this.sayVoices(end);
  }

  private choosePictures(end: End): void {
    let isOther = false;
    for (const out of end.pictures) {
      const want = end.wants[out.place] ?? null;
      const source = want && end.maySee.has(keyOf(want)) ? keyOf(want) : null;
      if (source === out.source) continue;
      isOther = true;
      move(this.picturesTo, out, source);
      out.picture = source === null || want === null ? null : { legId: want.legId, kind: want.kind };
      out.size = null;
    }
    if (isOther) this.sayPictures(end);
    this.chooseSizes();
  }

  /** The size that each is looked at in; while that does not come, the other one. */
  private chooseSizes(): void {
    const at = this.now();
    for (const [source, outs] of this.picturesTo) {
      const layers = this.layers.get(source);
      const comes = (size: CameraSize) => at - (layers?.get(size)?.cameAt ?? -Infinity) < times.restsMs;
      for (const out of outs) {
        const rows = out.end.wants[out.place]?.rows ?? 0;
        const wanted: CameraSize = rows > forwardLimits.smallRows ? 'l' : 's';
        const other: CameraSize = wanted === 'l' ? 's' : 'l';
        out.next = comes(wanted) || !comes(other) ? wanted : other;
        if (out.size !== out.next) this.askForWhole(source, out.next);
      }
    }
  }

  private askForWhole(source: string, size: CameraSize): void {
    const layer = this.layers.get(source)?.get(size);
    const at = this.now();
    if (!layer || at - layer.askedAt < times.askMs) return;
    layer.askedAt = at;
    const slash = source.lastIndexOf('/');
    const kind = source.slice(slash + 1) as PictureKind;
    this.ends.get(source.slice(0, slash))?.connection?.askForWhole(kind, size);
  }

  /** How large each picture is looked at, to whoever sends it. */
  private sayLooked(): void {
    for (const end of this.ends.values()) {
      const looked = { camera: 0, screen: 0 };
      for (const kind of ['camera', 'screen'] as const)
        for (const out of this.picturesTo.get(keyOf({ legId: end.id, kind })) ?? [])
          looked[kind] = Math.max(looked[kind], out.end.wants[out.place]?.rows ?? 0);
      if (looked.camera === end.looked.camera && looked.screen === end.looked.screen) continue;
      end.looked = looked;
      this.say(end, { looked });
    }
  }

  private sayVoices(end: End): void {
    this.say(end, { voices: end.voices.map(({ source }) => source) });
  }

  private sayPictures(end: End): void {
    this.say(end, { gives: end.pictures.map(({ picture, size }) => (size === null ? null : picture)) });
  }

  private say(end: End, signal: FromOffice): void {
    if (end.connection) this.tell({ told: 'signal', end: end.id, signal });
  }
}

/** At that place another source goes from now on. */
function move<T extends Out>(routes: Map<string, Set<T>>, out: T, source: string | null): void {
  if (out.source === source) return;
  const before = out.source === null ? undefined : routes.get(out.source);
  before?.delete(out);
  if (before?.size === 0 && out.source !== null) routes.delete(out.source);
  out.source = source;
  if (source === null) return;
  const outs = routes.get(source) ?? new Set<T>();
  outs.add(out);
  routes.set(source, outs);
}
