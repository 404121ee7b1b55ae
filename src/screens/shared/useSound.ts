import { useEffect, useState } from 'react';

import { readMarks, type SoundMark } from '@/core/shared/soundFiles';
import { useServices } from '@/state/app';
import { soundOf } from '@/state/sounds';

/** A kept sound as an address the browser can play, and as the file it is. */
export type Sound =
  | { state: 'reading' | 'missing' }
  | { state: 'there'; url: string; durationMs: number; file: Blob; marks: readonly SoundMark[] };

const againMs = 1500;

/** Ends a sound for good: it is neither played nor fetched any more. */
export function letGoOf(audio: HTMLAudioElement | null): void {
  audio?.pause();
  audio?.removeAttribute('src');
  audio?.load();
}

/** The sound of a recording; asked for again while it is being put together. */
export function useSound(recordingId: string): Sound {
  const { readSound } = useServices();
  const [sound, setSound] = useState<Sound>({ state: 'reading' });
  useEffect(() => {
    let url: string | null = null;
    let isGone = false;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const read = async () => {
      const stored = await readSound(recordingId);
      if (isGone) return;
      if (!stored) {
        setSound({ state: 'missing' });
        timer = setTimeout(() => void read(), againMs);
        return;
      }
      const file = soundOf(stored);
      const marks = readMarks(new Uint8Array(await file.arrayBuffer()));
      if (isGone) return;
      url = URL.createObjectURL(file);
      setSound({ state: 'there', url, durationMs: stored.durationMs, file, marks });
    };
    void read();
    return () => {
      isGone = true;
      clearTimeout(timer);
      // In a turn of its own: whoever plays it lets go of it first (`letGoOf`), and would else ask for what is gone.
      if (url !== null) setTimeout(URL.revokeObjectURL, 0, url);
    };
  }, [recordingId, readSound]);
  return sound;
}
