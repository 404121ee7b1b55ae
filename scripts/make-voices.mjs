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
// Apart from the clips, since only who listens to voicemail needs them.
const transcriptsFile = 'sample/transcripts.json';
const transcripts = JSON.parse(readFileSync(transcriptsFile, 'utf8'));

const wanted = process.argv.slice(2);

for (const [id, clip] of Object.entries(voices)) {
  if (wanted.length > 0 && !wanted.includes(id)) continue;
  const raw = join(tmpdir(), `${id}.wav`);
  const out = join('public/voices', `${id}.wav`);
  execFileSync('espeak-ng', ['-v', clip.voice, '-s', '165', '-w', raw, clip.text]);
  execFileSync('sox', [raw, '-r', String(sampleRate), '-c', '1', '-b', '8', '-D', out, 'norm', '-3']);
  rmSync(raw);
  if (clip.transcribed) transcripts[id] = wordTimes(clip);
  clip.seconds = Math.round(((statSync(out).size - headerBytes) / sampleRate) * 10) / 10;
}
writeFileSync(listFile, `${JSON.stringify(voices, null, 2)}\n`);
writeFileSync(transcriptsFile, `${JSON.stringify(transcripts)}\n`);

/** When each word begins and ends, in seconds: the voice speaks the text as far as each word, and the lengths are measured. */
function wordTimes({ voice, text }) {
  const words = text.split(' ');
  const ends = words.map((_, index) => spokenSeconds(voice, words.slice(0, index + 1).join(' ')));
  const whole = ends.at(-1);
  return words.map((word, index) => {
    const from = index === 0 ? 0 : Math.min(ends[index - 1], whole);
    return { text: word, from: round(from), to: round(Math.max(from, Math.min(ends[index], whole))) };
  });
}

function spokenSeconds(voice, text) {
  const file = join(tmpdir(), 'words.wav');
  // Without the full stop's pause, which would be counted to the word.
  execFileSync('espeak-ng', ['-v', voice, '-s', '165', '-z', '-w', file, text.replace(/[.,?]+$/, '')]);
  const seconds = Number(execFileSync('soxi', ['-D', file]).toString());
  rmSync(file);
  return seconds;
}

function round(seconds) {
  return Math.round(seconds * 100) / 100;
}
