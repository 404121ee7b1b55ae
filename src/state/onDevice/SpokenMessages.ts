import { uint8ArrayToBase64 } from 'uint8array-extras';

import { isMailbox } from '@/core/calls/exchange';
import { messageIdIn } from '@/core/inbox/voicemail';
import { encodeWav, resample } from '@/core/shared/soundFiles';
import type { Take } from '@/office/microphone';
import { deviceNow, soundDevicesOf } from '@/office/sound';
import { actRefused, type AppStore, type CallView, type Services } from '@/state/app';

/** A telephone's: three minutes of it fit into what the office takes. */
const sampleRate = 8_000;
/** Less than that is no word. */
const shortestSeconds = 0.3;

interface Speaking {
  /** Of the message as it will be kept. */
  id: string;
  callId: string;
  take: Promise<() => Promise<Take>>;
}

/** What is said to mailboxes by whoever uses this browser: recorded while the mailbox listens, and brought to the office as soon as it is over. */
export class SpokenMessages {
  private speaking: Speaking | null = null;

  constructor(
    private readonly store: AppStore,
    private readonly keepSound: Services['keepSound'],
  ) {}

  /** `calls`: those at which this browser speaks. */
  follow(calls: readonly CallView[]): void {
    const now = calls.flatMap(listening)[0] ?? null;
    if (now?.id === this.speaking?.id) return;
    if (this.speaking) void this.keep(this.speaking);
    this.speaking = now && { ...now, take: this.record() };
  }

  private async record(): Promise<() => Promise<Take>> {
    const { microphone, noise } = this.store.getState().settings;
    const [{ recordMicrophone }, there] = await Promise.all([
      import('@/office/microphone'),
      navigator.mediaDevices.enumerateDevices(),
    ]);
    const chosen = deviceNow(microphone, soundDevicesOf(there, 'audioinput'));
    return recordMicrophone({ microphoneId: chosen?.id ?? null, noise });
  }

  private async keep({ id, callId, take }: Speaking): Promise<void> {
    try {
      const said = await (await take)();
      const samples = resample(said.samples, said.sampleRate, sampleRate);
      if (samples.length < shortestSeconds * sampleRate) return;
      const wav = uint8ArrayToBase64(encodeWav(samples, sampleRate));
      await this.keepSound(id, { callId, durationMs: (samples.length / sampleRate) * 1000, wav });
    } catch {
      this.store.dispatch(
        actRefused('Your message has no sound: this browser gives no microphone. Allow it for this page.'),
      );
    }
  }
}

/** The message that is being left in a call. */
function listening({ call }: CallView): Omit<Speaking, 'take'>[] {
  const mailbox = call.legs.find((leg) => isMailbox(leg) && leg.mailboxPhase === 'recording');
  if (!mailbox || mailbox.state === 'cleared') return [];
  const { endpoint } = mailbox;
  const owner =
    endpoint.kind === 'mailbox'
      ? endpoint.personId
      : endpoint.kind === 'teamMailbox'
        ? endpoint.teamId
        : null;
  return owner === null ? [] : [{ id: messageIdIn(call.id, owner), callId: call.id }];
}
