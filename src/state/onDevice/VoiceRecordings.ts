import { voicePaths } from '@/core/calls/exchange';
import { SpeakerTurns } from '@/core/calls/recordings';
import type { ReachedServer } from '@/office/socket';
import type { VoiceCapture } from '@/office/capture';
import { actRefused, identifyEndpoint, selectNames, type AppStore, type CallView } from '@/state/app';

import { BroughtSound } from './BroughtSound';

/** Under it stands the worker's own voice, and what this page plays, among those of the other ends. */
const mine = 'me';
const played = 'played';
const lookMs = 200;
const longestName = 80;

interface Running {
  capture: Promise<VoiceCapture>;
  brought: BroughtSound;
  /** Whether it is being recorded now. */
  isOn: boolean;
  turns: SpeakerTurns;
  view: CallView;
}

interface ComingVoice {
  stream: MediaStream;
  /** At a place where the office forwards now one voice and now another. */
  isForwarded: boolean;
}

interface RecordingsOptions {
  ask: ReachedServer['askOfFiles'];
  voice: () => Promise<MediaStreamTrack | null>;
  /** What this page plays besides voices: music, tones, announcements; null: nothing yet. */
  played: () => MediaStream | null;
}

/**
 * Recordings of calls between real people: each is made by the browser that speaks for whose it is, of what they hear and say, and brought to the
 * office while it is made.
 */
export class VoiceRecordings {
  private readonly running = new Map<string, Running>();
  /** The voices that come, by the worker's end and the other's. */
  private readonly streams = new Map<string, Map<string, ComingVoice>>();
  private looking: ReturnType<typeof setInterval> | null = null;

  constructor(
    private readonly store: AppStore,
    private readonly options: RecordingsOptions,
  ) {}

  /** A voice comes from another end, or at one of the places where voices are forwarded; or (null) no more. */
  comes(legId: string, from: string, stream: MediaStream | null, isForwarded = false): void {
    const streams = this.streams.get(legId) ?? new Map<string, ComingVoice>();
    if (stream) streams.set(from, { stream, isForwarded });
    else streams.delete(from);
    this.streams.set(legId, streams);
  }

  /** `calls`: those at which this browser speaks. */
  follow(calls: readonly CallView[]): void {
    const wanted = new Map(
      calls.flatMap((view) => {
        const { recording } = view;
        return recording && recording.state !== 'ended' ? [[recording.id, view] as const] : [];
      }),
    );
    for (const [id, running] of this.running) {
      if (wanted.has(id)) continue;
      this.running.delete(id);
      void running.capture
        .then((capture) => capture.end())
        .then(
          () => running.brought.end(),
          () => undefined,
        );
    }
    for (const [id, view] of wanted) this.record(id, view);
    if (this.running.size > 0) this.looking ??= setInterval(() => void this.lookWhoSpeaks(), lookMs);
    else if (this.looking !== null) {
      clearInterval(this.looking);
      this.looking = null;
    }
  }

  /** Of a meeting each who speaks begins a chapter. */
  private async lookWhoSpeaks(): Promise<void> {
    const state = this.store.getState();
    for (const { view, isOn, turns, brought, capture } of [...this.running.values()]) {
      if (!isOn || view.call.meeting === null) continue;
      const levelDbov = await capture.then(
        (opened) => opened.levelOf(mine),
        () => -127,
      );
      const turn = turns.note({
        legIds: state.office.speaking.legIds,
        mine: { legId: view.me.legId, levelDbov },
        ...{ atMs: performance.now(), atSeconds: brought.seconds },
      });
      const leg = view.call.legs.find(({ id }) => id === turn?.legId);
      if (!turn || !leg) continue;
      const { name } = identifyEndpoint(leg, view.call, selectNames(state));
      brought.mark({ atSeconds: turn.atSeconds, text: name.slice(0, longestName) });
    }
  }

  private record(id: string, view: CallView): void {
    const isOn = view.recording?.state === 'on';
    let running = this.running.get(id);
    if (!running) {
      running = this.begin(id, view);
      this.running.set(id, running);
    }
    const { isOn: wasOn, capture } = running;
    running.isOn = isOn;
    running.view = view;
    void capture.then(
      async (opened) => {
        await this.connect(opened, view);
        if (isOn !== wasOn) opened.pause(!isOn);
      },
      () => undefined,
    );
  }

  private begin(id: string, view: CallView): Running {
    const fail = () =>
      this.store.dispatch(actRefused('This call is not recorded: this browser can’t take its sound in.'));
    const brought = new BroughtSound({ id, callId: view.id }, this.options.ask, fail);
    const capture = import('@/office/capture').then(({ VoiceCapture }) =>
      VoiceCapture.open((samples) => brought.add(samples)),
    );
    capture.catch(fail);
    return { capture, brought, isOn: true, turns: new SpeakerTurns(), view };
  }

  /** What is heard at the worker's end, and what they say where anybody hears it. */
  private async connect(capture: VoiceCapture, { me, call }: CallView): Promise<void> {
    const paths = voicePaths(call);
    const track = await this.options.voice();
    if (track) capture.add(mine, new MediaStream([track]));
    capture.gate(
      mine,
      paths.some(({ from }) => from === me.legId),
    );
    const streams = this.streams.get(me.legId) ?? new Map<string, ComingVoice>();
    for (const [from, { stream, isForwarded }] of streams) {
      capture.add(from, stream);
      capture.gate(
        from,
        // What the office forwards it forwards as it may be heard.
        isForwarded || paths.some((path) => path.from === from && path.to === me.legId),
      );
    }
    const here = this.options.played();
    if (here) capture.add(played, here);
    capture.keepOnly(new Set([mine, played, ...streams.keys()]));
  }
}
