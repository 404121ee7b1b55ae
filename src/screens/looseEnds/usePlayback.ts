import { useCallback, useEffect, useMemo, useRef, useState } from 'react';

import type { Stretch } from '@/core/shared/soundFiles';

import { letGoOf } from '../shared/useSound';

interface PlaybackOptions {
  url: string;
  /** As the system shows it beside the headset's keys. */
  title: string;
  /** 1 is as it was spoken; the pitch stays. */
  speed: number;
  /** What is passed over. */
  silences: readonly Stretch[];
  onBegin: () => void;
}

const skipSeconds = 5;

/** One sound, played by the page: where it is, and what a hand or a headset's keys do with it. */
export function usePlayback({ url, title, speed, silences, onBegin }: PlaybackOptions) {
  const [at, setAt] = useState(0);
  const [isPlaying, setPlaying] = useState(false);
  const audio = useRef<HTMLAudioElement | null>(null);
  const skipped = useRef(silences);
  useEffect(() => {
    skipped.current = silences;
  }, [silences]);

  useEffect(() => {
    const element = new Audio(url);
    audio.current = element;
    element.preservesPitch = true;
    element.ontimeupdate = () => {
      const { currentTime } = element;
      const silence = skipped.current.find(({ from, to }) => currentTime >= from && currentTime < to);
      if (silence && !element.paused) element.currentTime = silence.to;
      setAt(element.currentTime);
    };
    element.onplay = () => setPlaying(true);
    element.onpause = () => setPlaying(false);
    element.onended = () => setPlaying(false);
    return () => {
      element.ontimeupdate = null;
      letGoOf(element);
      audio.current = null;
    };
  }, [url]);
  useEffect(() => {
    if (audio.current) audio.current.playbackRate = speed;
  }, [speed, url]);

  const play = useCallback(() => {
    const element = audio.current;
    if (!element) return;
    onBegin();
    if (element.ended) element.currentTime = 0;
    // A browser that lets no page sound yet leaves it where it was.
    void element.play().catch(() => setPlaying(false));
  }, [onBegin]);
  const pause = useCallback(() => audio.current?.pause(), []);
  const seek = useCallback((seconds: number) => {
    if (audio.current) audio.current.currentTime = seconds;
    setAt(seconds);
  }, []);
  const jump = useCallback(
    (seconds: number) => {
      seek(seconds);
      play();
    },
    [seek, play],
  );

  useEffect(() => {
    if (!isPlaying || !('mediaSession' in navigator)) return;
    const { mediaSession } = navigator;
    mediaSession.metadata = new MediaMetadata({ title });
    mediaSession.setActionHandler('play', play);
    mediaSession.setActionHandler('pause', pause);
    const by = (change: number) => () => seek(Math.max(0, (audio.current?.currentTime ?? 0) + change));
    mediaSession.setActionHandler('seekbackward', by(-skipSeconds));
    mediaSession.setActionHandler('seekforward', by(skipSeconds));
    return () => {
      for (const action of ['play', 'pause', 'seekbackward', 'seekforward'] as const)
        mediaSession.setActionHandler(action, null);
    };
  }, [isPlaying, title, play, pause, seek]);

  return useMemo(
    () => ({ at, isPlaying, play, pause, seek, jump }),
    [at, isPlaying, play, pause, seek, jump],
  );
}
