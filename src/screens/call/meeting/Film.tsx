import { createElement, useEffect, useRef, type RefObject } from 'react';

interface FilmProps {
  stream: MediaStream | null;
  /** Of a sheet everything is wanted, of a person the face. */
  isWhole?: boolean;
  /** One's own, as in a mirror. */
  isMirrored?: boolean;
  /** What follows its frames. */
  element?: RefObject<HTMLVideoElement | null>;
}

/** A stream of pictures, without a sound; what it is of is said by what it stands in. */
export function Film({ stream, isWhole = false, isMirrored = false, element }: FilmProps) {
  const own = useRef<HTMLVideoElement>(null);
  const video = element ?? own;
  useEffect(() => {
    if (!video.current) return;
    video.current.srcObject = stream;
    if (stream) void video.current.play().catch(() => undefined);
  }, [video, stream]);
  return createElement('video', {
    ref: video,
    autoPlay: true,
    muted: true,
    playsInline: true,
    'aria-hidden': true,
    style: {
      width: '100%',
      height: '100%',
      objectFit: isWhole ? 'contain' : 'cover',
      transform: isMirrored ? 'scaleX(-1)' : undefined,
    },
  });
}
