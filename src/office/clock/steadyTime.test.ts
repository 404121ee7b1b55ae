import fc from 'fast-check';

import { SteadyTime } from './SteadyTime';

function open() {
  const device = { ofDay: 1_000_000, steady: 500 };
  const time = new SteadyTime(
    () => device.ofDay,
    () => device.steady,
  );
  return {
    device,
    time,
    pass: (ms: number) => {
      device.ofDay += ms;
      device.steady += ms;
    },
  };
}

describe('time that is steady', () => {
  it('goes on at its own pace while the device is set back, and meets it again', () => {
    const { device, time, pass } = open();
    device.ofDay -= 3_600_000;
    expect(time.now()).toBe(1_000_000);
    pass(20_000);
    expect(time.now()).toBe(1_020_000);
    device.ofDay = 1_020_000;
    pass(1_000);
    expect(time.now()).toBe(1_021_000);
  });

  it('follows at once where the device is set forward, or has slept', () => {
    const { device, time } = open();
    device.ofDay += 9 * 3_600_000;
    expect(time.now()).toBe(device.ofDay);
  });

  it('shows no instant before one that was seen, and waits for the device from there', () => {
    const { device, time, pass } = open();
    time.notBefore(1_060_000);
    expect(time.now()).toBe(1_060_000);
    pass(30_000);
    expect(time.now()).toBe(1_090_000);
    device.ofDay = 2_000_000;
    expect(time.now()).toBe(2_000_000);
    time.notBefore(1_500_000);
    expect(time.now()).toBe(2_000_000);
  });

  it('never runs back, and never shows less than the device', () => {
    const step = fc.record({ set: fc.integer({ min: -9_000, max: 9_000 }), passes: fc.nat(500) });
    fc.assert(
      fc.property(fc.array(step), (steps) => {
        const { device, time, pass } = open();
        let last = time.now();
        for (const { set, passes } of steps) {
          device.ofDay += set;
          pass(passes);
          const now = time.now();
          expect(now).toBeGreaterThanOrEqual(last + passes);
          expect(now).toBeGreaterThanOrEqual(device.ofDay);
          last = now;
        }
      }),
    );
  });
});
