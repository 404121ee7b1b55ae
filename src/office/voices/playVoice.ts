type ChoosesSpeaker = HTMLAudioElement & { setSinkId?: (id: string) => Promise<void> };

/** Makes a voice heard, by the chosen loudspeaker where there is one. */
export function playVoice(stream: MediaStream, speakerId: string | null) {
  const element: ChoosesSpeaker = document.createElement('audio');
  element.srcObject = stream;
  element.autoplay = true;
  element.muted = true;
  document.body.append(element);
  if (speakerId !== null) void element.setSinkId?.(speakerId).catch(() => undefined);
  return {
    mute: (isMuted: boolean) => {
      element.muted = isMuted;
      if (!isMuted) void element.play().catch(() => undefined);
    },
    useSpeaker: (id: string | null) => void element.setSinkId?.(id ?? '').catch(() => undefined),
    stop: () => {
      element.srcObject = null;
      element.remove();
    },
  };
}
