import { z } from 'zod';

import { SteadyTime } from './SteadyTime';

/**
 * What time it is for the whole app. `real` follows the device; `running` goes at the device's pace from another
 * instant; `fixed` stands still until it is moved, for tests, pictures and trying things out.
 */
export const clockSettingSchema = z.discriminatedUnion('mode', [
  z.object({ mode: z.literal('real') }),
  z.object({ mode: z.literal('running'), offsetMs: z.number() }),
  z.object({ mode: z.literal('fixed'), at: z.number() }),
]);
export type ClockSetting = z.infer<typeof clockSettingSchema>;

export class Clock {
  private readonly listeners = new Set<() => void>();

  constructor(
    private setting: ClockSetting = { mode: 'real' },
    private readonly device: SteadyTime = new SteadyTime(),
  ) {}

  /** Epoch milliseconds. */
  now(): number {
    switch (this.setting.mode) {
      case 'real':
        return this.device.now();
      case 'running':
        return this.device.now() + this.setting.offsetMs;
      case 'fixed':
        return this.setting.at;
    }
  }

  get(): ClockSetting {
    return this.setting;
  }

  get isStanding(): boolean {
    return this.setting.mode === 'fixed';
  }

  /** Real milliseconds until the clock shows `at`; null while it stands still before it. */
  realMsUntil(at: number): number | null {
    const ms = Math.max(0, at - this.now());
    return ms > 0 && this.isStanding ? null : ms;
  }

  set(setting: ClockSetting): void {
    this.setting = setting;
    for (const listener of this.listeners) listener();
  }

  fixAt(at: number): void {
    this.set({ mode: 'fixed', at });
  }

  /** Lets it go on from the instant it shows now. */
  run(): void {
    this.set({ mode: 'running', offsetMs: this.now() - this.device.now() });
  }

  /** Moves it on, standing or running. */
  moveOn(ms: number): void {
    if (this.setting.mode === 'fixed') this.fixAt(this.setting.at + ms);
    else this.set({ mode: 'running', offsetMs: this.now() + ms - this.device.now() });
  }

  /**
   * Shows no instant before that one, which the office has seen already. A clock that follows the device is ahead of it only until
   * the device has come up; nothing of that is kept.
   */
  notBefore(at: number): void {
    if (this.now() >= at) return;
    if (this.setting.mode === 'real') this.device.notBefore(at);
    else this.moveOn(at - this.now());
  }

  subscribe(listener: () => void): () => void {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }
}
