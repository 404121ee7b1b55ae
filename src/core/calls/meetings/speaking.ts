/** Levels in dBov as RFC 6464 has them, from −127 (silence) to 0; −50 is a quiet voice at a fair microphone. */
const speechDbov = -50;
/** A voice is heard as such once it has lasted so long, and until it has been silent so long: no cough, and no pause between words, changes it. */
const lastsMs = 300;
const pauseMs = 800;
/** Whoever is at the front stays there at least so long. */
const frontMs = 1_500;

interface Voice {
  loudSince: number | null;
  loudAt: number;
  isSpeaking: boolean;
  levelDbov: number;
}

/** Who speaks in a meeting, from the levels of their voices (RFC 6464, or `audioLevel` of WebRTC statistics). Times are milliseconds of one clock. */
export class Speaking {
  private readonly voices = new Map<string, Voice>();
  private front: { legId: string; since: number } | null = null;

  /** Levels as they come: of whoever is not there nothing is known any more, and of whom nothing is to be heard nothing is said. Gives who speaks now. */
  hear(
    levels: ReadonlyMap<string, number>,
    { heard, there }: { heard: readonly string[]; there: readonly string[] },
    at: number,
  ): { legIds: string[]; front: string | null } {
    this.note(new Map([...levels].filter(([legId]) => heard.includes(legId))), at);
    this.keepOnly(there);
    return { legIds: this.now, front: this.inFront };
  }

  /** Levels as they are now; who is left out is silent. */
  note(levels: ReadonlyMap<string, number>, at: number): void {
    for (const id of levels.keys())
      if (!this.voices.has(id))
        this.voices.set(id, { loudSince: null, loudAt: -Infinity, isSpeaking: false, levelDbov: -127 });
    for (const [id, voice] of this.voices) this.noteOne(id, voice, levels.get(id) ?? -127, at);
    this.choose(at);
  }

  /** Of all others nothing is known any more: they have gone. */
  keepOnly(legIds: readonly string[]): void {
    for (const id of this.voices.keys()) if (!legIds.includes(id)) this.voices.delete(id);
    if (this.front && !legIds.includes(this.front.legId)) this.front = null;
  }

  /** All who speak now, the loudest first. */
  get now(): string[] {
    return [...this.voices]
      .filter(([, { isSpeaking }]) => isSpeaking)
      .sort(([, one], [, other]) => other.levelDbov - one.levelDbov)
      .map(([id]) => id);
  }

  /** Who is shown at the front: whoever speaks, or was the last to. */
  get inFront(): string | null {
    return this.front?.legId ?? null;
  }

  private noteOne(id: string, voice: Voice, levelDbov: number, at: number): void {
    voice.levelDbov = levelDbov;
    if (levelDbov >= speechDbov) {
      voice.loudSince ??= at;
      voice.loudAt = at;
    } else if (at - voice.loudAt > pauseMs) voice.loudSince = null;
    voice.isSpeaking =
      voice.loudSince !== null && (voice.isSpeaking || voice.loudAt - voice.loudSince >= lastsMs);
  }

  private choose(at: number): void {
    const speaking = this.now;
    const [loudest] = speaking;
    if (loudest === undefined || loudest === this.front?.legId) return;
    const isFrontHeld = this.front !== null && at - this.front.since < frontMs;
    // Who goes on speaking is not pushed away by somebody louder who has only begun.
    const isFrontHeard = this.front !== null && speaking.includes(this.front.legId);
    if (!isFrontHeld && !isFrontHeard) this.front = { legId: loudest, since: at };
  }
}
