import { spawn } from 'node:child_process';

/** What is asked again is not spoken again; so many at once, and none for longer than that. */
const mostKept = 64;
const mostAtOnce = 2;
const longestMs = 5_000;
const mostBytes = 6_000_000;
/** Of a RIFF WAVE file with one format and its samples. */
const headerBytes = 44;

/** Words, and in which language they are (a tag of BCP 47). */
export interface Words {
  text: string;
  language: string;
}

/** Speaks what is typed, with Debian's `espeak-ng` in a process of its own for each; where that is not installed, it speaks nothing. */
export class Speech {
  /** By their words: the youngest last. */
  private readonly spoken = new Map<string, Promise<Buffer | null>>();
  private running = 0;

  constructor(private readonly program = 'espeak-ng') {}

  /** A file of sound (RIFF WAVE, one channel of 16 bits); null: it is not spoken here. */
  say(words: Words): Promise<Buffer | null> {
    const key = JSON.stringify([words.text, words.language]);
    const before = this.spoken.get(key);
    this.spoken.delete(key);
    const said = before ?? this.speak(words);
    this.spoken.set(key, said);
    // What could not be spoken may be another time.
    void said.then((sound) => sound ?? this.spoken.delete(key));
    for (const oldest of this.spoken.keys()) if (this.spoken.size > mostKept) this.spoken.delete(oldest);
    return said;
  }

  private async speak({ text, language }: Words): Promise<Buffer | null> {
    if (this.running >= mostAtOnce) return null;
    this.running++;
    try {
      return await this.run(text, language.toLowerCase());
    } finally {
      this.running--;
    }
  }

  private run(text: string, voice: string): Promise<Buffer | null> {
    return new Promise((resolve) => {
      const parts: Buffer[] = [];
      let bytes = 0;
      const speaker = spawn(this.program, ['--stdin', '--stdout', '-v', voice], {
        stdio: ['pipe', 'pipe', 'ignore'],
        signal: AbortSignal.timeout(longestMs),
        killSignal: 'SIGKILL',
      });
      speaker.stdout.on('data', (part: Buffer) => {
        bytes += part.length;
        if (bytes > mostBytes) speaker.kill('SIGKILL');
        else parts.push(part);
      });
      // One that is not there, takes too long, or ends before it has read.
      speaker.on('error', () => resolve(null));
      speaker.stdin.on('error', () => undefined);
      speaker.on('close', (code) => {
        const isWhole = code === 0 && bytes > headerBytes;
        resolve(isWhole ? withItsLength(Buffer.concat(parts)) : null);
      });
      speaker.stdin.end(text);
    });
  }
}

/** What is written as it is made says at its beginning that it has no end. */
function withItsLength(file: Buffer): Buffer {
  file.writeUInt32LE(file.length - 8, 4);
  file.writeUInt32LE(file.length - headerBytes, headerBytes - 4);
  return file;
}
