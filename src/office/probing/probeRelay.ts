import type { Probe } from '@/core/calls/quality';

/** The size of a packet of Opus at about 32 kbit/s with its headers. */
const probeBytes = 120;
const connectMs = 10_000;
const lastOnesMs = 1_000;

/**
 * Sends probes at the pace of a voice through the relay and back to this page, over a channel that neither repeats nor orders them (RFC 8831), so
 * that what is lost is lost. Looked at where they arrive, which is here: their delay is what a voice would have from one end to the other.
 * null: nothing came through.
 */
export async function probeRelay(
  iceServers: readonly RTCIceServer[],
  { count, everyMs }: { count: number; everyMs: number },
): Promise<Probe[] | null> {
  const configuration: RTCConfiguration = { iceServers: [...iceServers], iceTransportPolicy: 'relay' };
  const [here, there] = [new RTCPeerConnection(configuration), new RTCPeerConnection(configuration)];
  const handOver = (to: RTCPeerConnection) => (event: RTCPeerConnectionIceEvent) =>
    void to.addIceCandidate(event.candidate ?? undefined).catch(() => undefined);
  here.onicecandidate = handOver(there);
  there.onicecandidate = handOver(here);
  const probes: Probe[] = [];
  there.ondatachannel = ({ channel }) => {
    channel.onmessage = ({ data }: MessageEvent<ArrayBuffer>) => {
      const probe = probes[new DataView(data).getUint32(0)];
      if (probe) probe.cameMs ??= performance.now();
    };
    channel.binaryType = 'arraybuffer';
  };
  try {
    const channel = here.createDataChannel('probes', { ordered: false, maxRetransmits: 0 });
    const isOpen = new Promise<boolean>((resolve) => {
      channel.onopen = () => resolve(true);
      setTimeout(() => resolve(false), connectMs);
    });
    await here.setLocalDescription();
    await there.setRemoteDescription(here.localDescription as RTCSessionDescription);
    await there.setLocalDescription();
    await here.setRemoteDescription(there.localDescription as RTCSessionDescription);
    if (!(await isOpen)) return null;
    for (let at = 0; at < count; at++) {
      const packet = new DataView(new ArrayBuffer(probeBytes));
      packet.setUint32(0, at);
      probes.push({ sentMs: performance.now(), cameMs: null });
      channel.send(packet.buffer);
      await pause(everyMs);
    }
    await pause(lastOnesMs);
    return probes.some(({ cameMs }) => cameMs !== null) ? probes : null;
  } finally {
    here.close();
    there.close();
  }
}

const pause = (ms: number) => new Promise<void>((resolve) => setTimeout(resolve, ms));
