import { isMailbox } from '@/core/calls/exchange';
import { messageIdIn } from '@/core/inbox/voicemail';
import type { ReachedServer } from '@/office/socket';
import { actRefused, type AppStore, type CallView } from '@/state/app';

import { BroughtSound } from './BroughtSound';

const noSound = 'Your message has no sound: this browser gives no microphone. Allow it for this page.';

interface Speaking {
  /** Of the message as it will be kept. */
  id: string;
  callId: string;
}

/** What is said to mailboxes by whoever uses this browser: taken in while the mailbox listens, and brought to the office while it is said. */
export class SpokenMessages {
  private speaking: (Speaking & { end: () => void }) | null = null;

  constructor(
    private readonly store: AppStore,
    private readonly ask: ReachedServer['askOfFiles'],
    /** The voice of whoever uses this browser; null: there is none, which has been said. */
    private readonly voice: () => Promise<MediaStreamTrack | null>,
  ) {}

  /** `calls`: those at which this browser speaks. */
  follow(calls: readonly CallView[]): void {
    const now = calls.flatMap(listening)[0] ?? null;
    if (now?.id === this.speaking?.id) return;
    this.speaking?.end();
    this.speaking = now && { ...now, end: this.record(now) };
  }

  /** Gives what ends it. */
  private record({ id, callId }: Speaking): () => void {
    const brought = new BroughtSound({ id, callId }, this.ask, () =>
      this.store.dispatch(actRefused(noSound)),
    );
    const capture = (async () => {
      const track = await this.voice();
      if (!track) throw new Error('There is no voice.');
      const { VoiceCapture } = await import('@/office/capture');
      const opened = await VoiceCapture.open((samples) => brought.add(samples));
      opened.add('me', new MediaStream([track]));
      return opened;
    })();
    capture.catch(() => this.store.dispatch(actRefused(noSound)));
    return () =>
      void capture
        .then((opened) => opened.end())
        .then(
          () => brought.end(),
          () => undefined,
        );
  }
}

/** The message that is being left in a call. */
function listening({ call }: CallView): Speaking[] {
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
