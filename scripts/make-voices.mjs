// Speaks the sample's clips with espeak-ng and sox (apt-get install espeak-ng sox), and notes their lengths.
// Run by hand with the ids of the clips whose text changed (none: all); the sounds are committed, so that nobody else needs these programs.
import { execFileSync } from 'node:child_process';
import { readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { tmpdir } from 'node:os';

const listFile = 'sample/voices.json';
const sampleRate = 8000;
const headerBytes = 44;
const voices = JSON.parse(readFileSync(listFile, 'utf8'));

const wanted = process.argv.slice(2);

for (const [id, clip] of Object.entries(voices)) {
  if (wanted.length > 0 && !wanted.includes(id)) continue;
  const raw = join(tmpdir(), `${id}.wav`);
  const out = join('public/voices', `${id}.wav`);
  execFileSync('espeak-ng', ['-v', clip.voice, '-s', '165', '-w', raw, clip.text]);
  execFileSync('sox', [raw, '-r', String(sampleRate), '-c', '1', '-b', '8', '-D', out, 'norm', '-3']);
  rmSync(raw);
  clip.seconds = Math.round(((statSync(out).size - headerBytes) / sampleRate) * 10) / 10;
}
writeFileSync(listFile, `${JSON.stringify(voices, null, 2)}\n`);
