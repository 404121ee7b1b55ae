import { voicePaths } from '@/core/calls/exchange';
import { Speaking } from '@/core/calls/meetings';
import type { CallVoices } from '@/office/voices';
import { speakingChanged, type AppStore, type CallView } from '@/state/app';

const lookMs = 200;

/** Looks who speaks in the meeting that is listened to: as long as there is one. */
export class Listening {
  private timer: ReturnType<typeof setInterval> | null = null;
  private speaking = new Speaking();
  private view: CallView | null = null;

  constructor(
    private readonly store: AppStore,
    private readonly voicesAt: (legId: string) => CallVoices | null,
  ) {}

  /** These calls are heard now. */
  follow(views: readonly CallView[]): void {
    const view = views.find(({ call, me }) => call.meeting !== null && me.state === 'connected') ?? null;
    if (view?.id !== this.view?.id) this.speaking = new Speaking();
    this.view = view;
    if (view) this.timer ??= setInterval(() => this.look(), lookMs);
    else this.end();
  }

  end(): void {
    if (this.timer === null) return;
    clearInterval(this.timer);
    this.timer = null;
    this.tell([], null);
  }

  private look(): void {
    const { view, speaking } = this;
    if (!view) return;
    const levels = this.voicesAt(view.me.legId)?.levels() ?? new Map<string, number>();
    const heard = voicePaths(view.call).flatMap(({ from, to }) => (to === view.me.legId ? [from] : []));
    const there = view.others.map(({ legId }) => legId);
    const { legIds, front } = speaking.hear(levels, { heard, there }, performance.now());
    this.tell(legIds, front);
  }

  private tell(legIds: readonly string[], front: string | null): void {
    const before = this.store.getState().office.speaking;
    if (before.front !== front || before.legIds.join() !== legIds.join())
      this.store.dispatch(speakingChanged({ legIds, front }));
  }
}
