import type { SpokenWord, Transcript } from '../voicemail';

/** A caption holds so many words, or ends with a sentence. */
const mostWords = 12;

/** A transcript as WebVTT (W3C Candidate Recommendation, 4 April 2019): captions with a timestamp before each word. */
export function writeWebVtt(transcript: Transcript): string {
  const captions = captionsOf(transcript).map((words) => {
    const [first] = words;
    const last = words.at(-1);
    const text = words
      .map(({ text: word, from }, index) => `${index === 0 ? '' : `<${timestamp(from)}>`}${escaped(word)}`)
      .join(' ');
    return `${timestamp(first?.from ?? 0)} --> ${timestamp(last?.to ?? 0)}\n${text}`;
  });
  return ['WEBVTT', ...captions, ''].join('\n\n');
}

function captionsOf(transcript: Transcript): SpokenWord[][] {
  const captions: SpokenWord[][] = [];
  let current: SpokenWord[] = [];
  for (const word of transcript) {
    current.push(word);
    if (current.length < mostWords && !/[.?!]$/.test(word.text)) continue;
    captions.push(current);
    current = [];
  }
  if (current.length > 0) captions.push(current);
  return captions;
}

function timestamp(seconds: number): string {
  const ms = Math.round(seconds * 1000);
  const two = (value: number) => String(value).padStart(2, '0');
  const [hours, minutes] = [Math.floor(ms / 3_600_000), Math.floor(ms / 60_000) % 60];
  return `${two(hours)}:${two(minutes)}:${two(Math.floor(ms / 1000) % 60)}.${String(ms % 1000).padStart(3, '0')}`;
}

const escaped = (text: string) =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;');
const entities: Record<string, string> = { amp: '&', lt: '<', gt: '>', nbsp: ' ', lrm: '', rlm: '' };
const plain = (text: string) =>
  text.replace(/<[^<>]*>/g, '').replace(/&(\w+);/g, (whole, name: string) => entities[name] ?? whole);

export type ReadVtt = { ok: true; transcript: Transcript } | { ok: false; line: number; sentence: string };

/** A timestamp; hours have two digits or more, and no message lasts a thousand of them. */
const time = String.raw`(?:\d{2,3}:)?\d{2}:\d{2}\.\d{3}`;
const arrow = new RegExp(String.raw`^(${time})\s+-->\s+(${time})(?:\s.*)?$`);
const stamp = new RegExp(`<(${time})>`);

/** Reads WebVTT. Words without a timestamp of their own share their caption's time by their length. */
export function readWebVtt(text: string): ReadVtt {
  const lines = text.replace(/^\uFEFF/, '').split(/\r\n|\n|\r/);
  if (!/^WEBVTT(?:[ \t].*)?$/.test(lines[0] ?? ''))
    return { ok: false, line: 1, sentence: 'The file does not begin with WEBVTT.' };
  const transcript: SpokenWord[] = [];
  for (let at = 1; at < lines.length; at++) {
    const line = lines[at] ?? '';
    if (!line.includes('-->')) continue;
    const times = arrow.exec(line.trim());
    const [from, to] = [secondsOf(times?.[1]), secondsOf(times?.[2])];
    if (from === null || to === null || to < from)
      return { ok: false, line: at + 1, sentence: `“${line.trim()}” gives no time.` };
    const words: string[] = [];
    while (at + 1 < lines.length && lines[at + 1] !== '') words.push(lines[++at] ?? '');
    for (const word of wordsOf(words.join(' '), from, to)) transcript.push(word);
  }
  return { ok: true, transcript };
}

function secondsOf(time: string | undefined): number | null {
  if (time === undefined) return null;
  const parts = time.split(':').map(Number);
  const [hours = 0, minutes = 0, seconds = 0] = parts.length === 3 ? parts : [0, ...parts];
  return minutes < 60 && seconds < 60 ? hours * 3600 + minutes * 60 + seconds : null;
}

/** The words of a caption: between two timestamps they share the time by their letters. */
function wordsOf(caption: string, from: number, to: number): SpokenWord[] {
  const pieces = caption.split(stamp);
  const starts = [
    from,
    ...pieces.flatMap((piece, index) => (index % 2 === 1 ? (secondsOf(piece) ?? from) : [])),
  ];
  return pieces
    .filter((_, index) => index % 2 === 0)
    .flatMap((piece, index) => shared(plain(piece), starts[index] ?? from, starts[index + 1] ?? to));
}

function shared(text: string, from: number, to: number): SpokenWord[] {
  const words = text.split(/\s+/).filter((word) => word !== '');
  const letters = words.reduce((sum, word) => sum + word.length, 0);
  let begun = 0;
  return words.map((word) => {
    const at = (share: number) => Math.round((from + ((to - from) * share) / letters) * 1000) / 1000;
    const spoken = { text: word, from: at(begun), to: at(begun + word.length) };
    begun += word.length;
    return spoken;
  });
}
