import { VoiceMeasure, worstOf } from './measuring';

const report = (
  packetsReceived: number,
  packetsLost: number,
  jitter = 0.002,
  roundTrip = 0.03,
  kinds = ['host', 'host'],
) =>
  new Map([
    ['a', { type: 'inbound-rtp', kind: 'audio', packetsReceived, packetsLost, jitter, codecId: 'f' }],
    ['f', { id: 'f', type: 'codec', mimeType: 'audio/opus' }],
    ['g', { id: 'g', type: 'codec', mimeType: 'audio/PCMU' }],
    ['h', { type: 'transport', srtpCipher: 'AEAD_AES_128_GCM' }],
    [
      'b',
      {
        ...{ type: 'candidate-pair', nominated: true, currentRoundTripTime: roundTrip },
        ...{ localCandidateId: 'd', remoteCandidateId: 'e' },
      },
    ],
    ['c', { type: 'candidate-pair', nominated: false, currentRoundTripTime: 9 }],
    ['d', { id: 'd', type: 'local-candidate', candidateType: kinds[0] }],
    ['e', { id: 'e', type: 'remote-candidate', candidateType: kinds[1] }],
  ]) as unknown as RTCStatsReport;

it('is what the network has done since the last look, and not from the beginning on', () => {
  const measure = new VoiceMeasure();
  expect(measure.look(report(90, 10))).toEqual({
    network: { delayMs: 15, jitterMs: 2, lossPercent: 10, burstRatio: 1 },
    passage: { way: 'host', codec: 'opus', hasCopies: false, cipher: 'AEAD_AES_128_GCM' },
  });
  expect(measure.look(report(190, 10))).toMatchObject({ network: { lossPercent: 0 } });
  // One that was taken for lost has come all the same.
  expect(measure.look(report(290, 9))).toMatchObject({ network: { lossPercent: 0 } });
});

it('is not known while nothing comes', () => {
  const measure = new VoiceMeasure();
  expect(measure.look(new Map() as unknown as RTCStatsReport)).toBeNull();
  measure.look(report(100, 0));
  expect(measure.look(report(100, 0))).toBeNull();
});

it('of several the worst counts', () => {
  const network = { delayMs: 10, jitterMs: 1, lossPercent: 0, burstRatio: 1 };
  const passage = { way: 'host', codec: 'opus', hasCopies: false, cipher: null } as const;
  const good = { network, passage };
  const bad = { network: { ...network, lossPercent: 4 }, passage };
  expect(worstOf([good, bad, good])).toBe(bad);
  expect(worstOf([])).toBeNull();
});

it.each([
  [['host', 'relay'], 'relay'],
  [['prflx', 'host'], 'srflx'],
  [['host', 'host'], 'host'],
  [[], null],
])('by %j a voice goes by %s: the end that needs the longer way counts', (kinds, way) => {
  expect(new VoiceMeasure().look(report(10, 0, 0, 0, kinds))?.passage.way).toBe(way);
});

it.each([
  ['63 111', true],
  ['111 63', false],
])('of what was accepted as “%s”, copies come: %s', (types, hasCopies) => {
  const sdp = `m=audio 9 UDP/TLS/RTP/SAVPF ${types}\r\na=rtpmap:63 red/48000/2\r\na=rtpmap:111 opus/48000/2\r\n`;
  expect(new VoiceMeasure().look(report(10, 0), sdp)?.passage).toMatchObject({ codec: 'opus', hasCopies });
});
