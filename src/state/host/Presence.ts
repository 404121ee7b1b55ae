import type { HostedOffice } from '@/office/hosted';
import type { Device } from '@/core/setup';

/** So long a device whose apps have all gone may come again, as after a reload, before nothing rings there any more. */
export const comesAgainMs = 20_000;
/** So long what it talks on is kept for it (RFC 4028’s least session interval): voices may go on without the office. */
export const talksOnMs = 90_000;

type Cancel = () => void;
type SetTimer = (run: () => void, ms: number) => Cancel;

const hostTimer: SetTimer = (run, ms) => {
  const id = setTimeout(run, ms);
  return () => clearTimeout(id);
};

/** Devices of real people: each is signed in as long as an app of theirs is there, and a little longer; then what it talked on has ended. */
export class Presence {
  /** By their devices, how many apps are there. */
  private readonly apps = new Map<string, number>();
  private readonly waiting = new Map<string, Cancel[]>();

  constructor(
    private readonly office: Pick<HostedOffice, 'send'>,
    private readonly setTimer: SetTimer = hostTimer,
  ) {}

  /** What was signed in when the office was left may come again; what nobody can be at never will. */
  open(
    signedIn: Iterable<string>,
    devices: ReadonlyMap<string, Device>,
    isPlayed: (device: Device) => boolean,
  ): void {
    for (const id of signedIn) {
      const device = devices.get(id);
      if (device?.kind === 'app') this.wait(id);
      else if (device && !isPlayed(device)) void this.office.send({ type: 'signOut', deviceId: id });
    }
  }

  /** An app has joined as that device. */
  async came(deviceId: string): Promise<void> {
    this.apps.set(deviceId, (this.apps.get(deviceId) ?? 0) + 1);
    this.waitNoLonger(deviceId);
    await this.office.send({ type: 'signIn', deviceId });
  }

  left(deviceId: string): void {
    const others = (this.apps.get(deviceId) ?? 0) - 1;
    if (others > 0) return void this.apps.set(deviceId, others);
    this.apps.delete(deviceId);
    this.wait(deviceId);
  }

  close(): void {
    for (const deviceId of this.waiting.keys()) this.waitNoLonger(deviceId);
  }

  private wait(deviceId: string): void {
    this.waitNoLonger(deviceId);
    const after = (ms: number, type: 'signOut' | 'expire') =>
      this.setTimer(() => void this.office.send({ type, deviceId }), ms);
    this.waiting.set(deviceId, [after(comesAgainMs, 'signOut'), after(talksOnMs, 'expire')]);
  }

  private waitNoLonger(deviceId: string): void {
    for (const cancel of this.waiting.get(deviceId) ?? []) cancel();
    this.waiting.delete(deviceId);
  }
}
