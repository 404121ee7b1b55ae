import { VoiceMeasure, worstOf } from './measuring';

const report = (packetsReceived: number, packetsLost: number, jitter = 0.002, roundTrip = 0.03) =>
  new Map([
    ['a', { type: 'inbound-rtp', kind: 'audio', packetsReceived, packetsLost, jitter }],
    ['b', { type: 'candidate-pair', nominated: true, currentRoundTripTime: roundTrip }],
    ['c', { type: 'candidate-pair', nominated: false, currentRoundTripTime: 9 }],
  ]) as unknown as RTCStatsReport;

it('is what the network has done since the last look, and not from the beginning on', () => {
  const measure = new VoiceMeasure();
  expect(measure.look(report(90, 10))).toEqual({ delayMs: 15, jitterMs: 2, lossPercent: 10, burstRatio: 1 });
  expect(measure.look(report(190, 10))).toMatchObject({ lossPercent: 0 });
  // One that was taken for lost has come all the same.
  expect(measure.look(report(290, 9))).toMatchObject({ lossPercent: 0 });
});

it('is not known while nothing comes', () => {
  const measure = new VoiceMeasure();
  expect(measure.look(new Map() as unknown as RTCStatsReport)).toBeNull();
  measure.look(report(100, 0));
  expect(measure.look(report(100, 0))).toBeNull();
});

it('of several the worst counts', () => {
  const good = { delayMs: 10, jitterMs: 1, lossPercent: 0, burstRatio: 1 };
  const bad = { ...good, lossPercent: 4 };
  expect(worstOf([good, bad, good])).toBe(bad);
  expect(worstOf([])).toBeNull();
});
