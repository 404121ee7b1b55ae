import { useEffect, useState } from 'react';

import { soundOf, useServices } from '@/state/app';

/** A recording's sound as an address the browser can play. */
type Sound = { state: 'reading' | 'missing' } | { state: 'there'; url: string; durationMs: number };

const againMs = 1500;

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
      url = URL.createObjectURL(soundOf(stored));
      setSound({ state: 'there', url, durationMs: stored.durationMs });
    };
    void read();
    return () => {
      isGone = true;
      clearTimeout(timer);
      if (url !== null) URL.revokeObjectURL(url);
    };
  }, [recordingId, readSound]);
  return sound;
}
