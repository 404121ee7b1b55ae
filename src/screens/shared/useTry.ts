import { useEffect, useRef, useState } from 'react';

const frameMs = 50;

/** The needle that runs over a tried call, at real speed or faster; null while it rests. */
export function useTry(totalSeconds: number) {
  const [nowSeconds, setNow] = useState<number | null>(null);
  const [speed, setSpeed] = useState(1);
  const timer = useRef<ReturnType<typeof setInterval> | null>(null);
  const stop = () => {
    if (timer.current !== null) clearInterval(timer.current);
    timer.current = null;
  };
  useEffect(() => stop, []);
  const play = (times: number) => {
    stop();
    setSpeed(times);
    const startedAt = performance.now();
    setNow(0);
    timer.current = setInterval(() => {
      const seconds = ((performance.now() - startedAt) / 1000) * times;
      setNow(Math.min(seconds, totalSeconds));
      if (seconds >= totalSeconds) stop();
    }, frameMs);
  };
  const rest = () => {
    stop();
    setNow(null);
  };
  return { nowSeconds, speed, play, rest };
}
