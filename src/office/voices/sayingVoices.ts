/** A tenth of a second of a voice: by then it goes its way. */
export const leastPackets = 5;

/** Whoever sends here may rest where nothing is said (RFC 7587 §6.1: usedtx), which browsers do only when they are asked. */
export function restsInSilence({
  sdp = '',
  ...description
}: RTCSessionDescriptionInit): RTCSessionDescriptionInit {
  return { ...description, sdp: sdp.replace(/useinbandfec=1(?!;usedtx)/g, 'useinbandfec=1;usedtx=1') };
}
