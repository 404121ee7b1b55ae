import { z } from 'zod';

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
    private readonly deviceNow: () => number = Date.now,
  ) {}

  /** Epoch milliseconds. */
  now(): number {
    switch (this.setting.mode) {
      case 'real':
        return this.deviceNow();
      case 'running':
        return this.deviceNow() + this.setting.offsetMs;
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
    this.set({ mode: 'running', offsetMs: this.now() - this.deviceNow() });
  }

  /** Moves it on, standing or running. */
  moveOn(ms: number): void {
    if (this.setting.mode === 'fixed') this.fixAt(this.setting.at + ms);
    else this.set({ mode: 'running', offsetMs: this.now() + ms - this.deviceNow() });
  }

  subscribe(listener: () => void): () => void {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }
}
