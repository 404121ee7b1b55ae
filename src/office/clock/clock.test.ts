import { Clock, SteadyTime } from '.';

const deviceNow = 1_000_000;
const deviceAt = (at: number) =>
  new SteadyTime(
    () => at,
    () => 0,
  );

describe('the clock', () => {
  it('follows the device, runs from elsewhere, or stands still', () => {
    let now = deviceNow;
    const clock = new Clock(
      { mode: 'real' },
      new SteadyTime(
        () => now,
        () => 0,
      ),
    );
    expect(clock.now()).toBe(deviceNow);
    clock.fixAt(5);
    now += 100;
    expect(clock.now()).toBe(5);
    clock.run();
    now += 100;
    expect(clock.now()).toBe(105);
    clock.moveOn(1000);
    expect(clock.now()).toBe(1105);
  });

  it('knows how long to wait for an instant, and that a standing clock never reaches it', () => {
    const clock = new Clock({ mode: 'real' }, deviceAt(deviceNow));
    expect(clock.realMsUntil(deviceNow + 700)).toBe(700);
    expect(clock.realMsUntil(deviceNow - 700)).toBe(0);
    clock.fixAt(deviceNow);
    expect(clock.realMsUntil(deviceNow + 700)).toBeNull();
    expect(clock.realMsUntil(deviceNow)).toBe(0);
  });

  it('follows a device that is behind what was seen already, without keeping that as a setting', () => {
    const clock = new Clock({ mode: 'real' }, deviceAt(deviceNow));
    clock.notBefore(deviceNow + 5);
    expect([clock.now(), clock.get()]).toEqual([deviceNow + 5, { mode: 'real' }]);
    clock.fixAt(7);
    clock.notBefore(9);
    expect([clock.now(), clock.get()]).toEqual([9, { mode: 'fixed', at: 9 }]);
    clock.notBefore(3);
    expect(clock.now()).toBe(9);
  });

  it('tells who listens', () => {
    const clock = new Clock();
    const heard = jest.fn();
    const stop = clock.subscribe(heard);
    clock.fixAt(1);
    stop();
    clock.fixAt(2);
    expect(heard).toHaveBeenCalledTimes(1);
  });
});
