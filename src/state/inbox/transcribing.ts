import type { SpokenWord, Transcript, Voicemail } from '@/core/inbox/voicemail';

/** The stand-in transcriber: it knows the words of the sample's voices, and of nothing else. */
export type WordsOfClip = (clip: string) => readonly SpokenWord[] | null;

/** The words of a voicemail, each at its second of the sound; null where none are known. */
export function wordsSaid(
  { at, durationMs, said }: Pick<Voicemail, 'at' | 'durationMs' | 'said'>,
  wordsOf: WordsOfClip,
): Transcript | null {
  const seconds = durationMs / 1000;
  const words = said.flatMap((entry) => {
    const own = entry.kind === 'clip' ? wordsOf(entry.clip) : null;
    const offset = (entry.at - at) / 1000;
    return (own ?? []).map(({ text, from, to }) => ({
      text,
      from: Math.max(0, offset + from),
      to: Math.min(seconds, offset + to),
    }));
  });
  const heard = words.filter((word) => word.from < seconds && word.to > word.from);
  return heard.length === 0 ? null : heard;
}
