import { voicePaths, type Call } from '@/core/calls/exchange';
import { deviceName } from '@/state/access';
import type { OutgoingVoice } from '@/office/microphone';
import { rtcServersOf } from '@/office/ice';
import { deviceNow, soundDevicesOf } from '@/office/sound';
import type { CallVoices, Coming, Together } from '@/office/voices';
import { Listening } from './Listening';
import type { MeetingPictures } from './MeetingPictures';
import { SpokenMessages } from './SpokenMessages';
import { VoiceRecordings } from './VoiceRecordings';
import {
  actRefused,
  selectLeft,
  selectTaken,
  spokenOn,
  whenChanged,
  type AppStore,
  type CallView,
  type Services,
} from '@/state/app';

/** Another browser of the same person, which has asked for something in a call within so long, goes first. */
const actedMs = 10_000;
const laterMs = 2_000;
const againMs = 3_000;
const measureMs = 1_000;
/** So often it is looked whether this page speaks, as long as another of the worker's devices stays for that. */
const lookMs = 50;

/** An end of a call at which this page speaks, or asks to. */
interface End {
  voices: CallVoices | null;
  /** Who was named before it is let speak. */
  together: Together;
  /** The worker's other browser that speaks there; null: none does. */
  speaks: string | null;
  /** What has been sent of the keys pressed here. */
  digits: string;
  timer: ReturnType<typeof setTimeout> | null;
}

/** Whether it goes on at this device: also while it is held, so that nothing has to be found anew when it is taken up. */
const isUnderWay = ({ me }: CallView) => me.state === 'connected' || me.state === 'held';

/**
 * Has the voices of this device's calls go from browser to browser, where a server hosts the office: by `voicePaths` alone, so that whatever is
 * done in a call is heard at once. Of several browsers of one person one speaks: the one that has just asked for something, such as to answer.
 */
export function startVoices(store: AppStore, services: Services, pictures: MeetingPictures): () => void {
  const { server } = services;
  if (!server) return () => undefined;
  const page = crypto.randomUUID();
  // Before the first call comes.
  void fetchVoices();
  const ends = new Map<string, End>();
  let looking: ReturnType<typeof setInterval> | null = null;
  /** Ends at which it has been said that this page speaks. */
  const said = new Set<string>();
  const microphone = new SharedMicrophone(store);
  const voice = () => microphone.track();
  const messages = new SpokenMessages(store, server.askOfFiles, voice);
  const recordings = new VoiceRecordings(store, {
    ...{ ask: server.askOfFiles, voice },
    played: () => services.player?.heardToo() ?? null,
  });

  const listening = new Listening(store, (legId) => ends.get(legId)?.voices ?? null);

  const take = async (legId: string, instead = false) => {
    const end = ends.get(legId);
    if (!end) return;
    const [answer, fetched] = await Promise.all([
      server.askOfVoices({ what: 'take', legId, by: page, name: deviceName(), instead }),
      fetchVoices(),
    ]);
    if (ends.get(legId) !== end) return;
    if (end.timer !== null) clearTimeout(end.timer);
    end.timer = null;
    end.speaks = answer?.speaks ?? null;
    tellWhoSpeaks();
    if (!answer?.done || !fetched) {
      // Another one speaks there, or nothing was heard: when it has gone, this one does.
      end.timer = setTimeout(() => void take(legId), againMs);
      return;
    }
    const { CallVoices, playVoice } = fetched;
    end.voices ??= new CallVoices({
      legId,
      iceServers: rtcServersOf(answer.iceServers),
      relayOnly: answer.relayOnly,
      signal: (to, signal) => void server.askOfVoices({ what: 'signal', from: legId, to, signal }),
      voice,
      show: (from, kind, stream) => pictures.came(from, kind, stream),
      restsThere: (from, kinds) => pictures.restsThere(from, kinds),
      play: (from, stream, isForwarded) => {
        const heard = playVoice(stream, speakerOf(store));
        recordings.comes(legId, from, stream, isForwarded);
        follow();
        const stop = () => {
          heard.stop();
          recordings.comes(legId, from, null);
        };
        return { ...heard, stop };
      },
    });
    end.voices.together(end.together);
    follow();
  };

  const follow = () => {
    const calls = selectTaken(store.getState()).filter(isUnderWay);
    const left = selectLeft(store.getState());
    for (const [legId, { voices, timer }] of ends) {
      const stays = left.find((each) => each.legId === legId);
      if (stays) voices?.setPaths(voicePaths(stays.call));
      if (stays || calls.some(({ me }) => me.legId === legId)) continue;
      ends.delete(legId);
      if (timer !== null) clearTimeout(timer);
      voices?.close();
      void server.askOfVoices({ what: 'drop', legId });
    }
    for (const view of calls) {
      const { me, call } = view;
      const end = ends.get(me.legId);
      if (!end) {
        const wait = performance.now() - services.lastSentAt < actedMs ? 0 : laterMs;
        ends.set(me.legId, {
          voices: null,
          together: { peers: [] },
          speaks: null,
          digits: digitsOf(call, me.legId),
          timer: setTimeout(() => void take(me.legId), wait),
        });
        continue;
      }
      end.voices?.setEnds(call.legs.flatMap(({ id, state }) => (state === 'cleared' ? [] : [id])));
      end.voices?.setPaths(voicePaths(call));
      end.voices?.setPictures(pictures.sentFrom(call, me.legId));
      end.voices?.setLooks(pictures.looksAt(view));
      const digits = digitsOf(call, me.legId);
      if (digits.length > end.digits.length) end.voices?.sendDigits(digits.slice(end.digits.length));
      end.digits = digits;
    }
    const isAwaited = calls.some(({ me, call }) => isStayedFor(call, me.legId));
    if (isAwaited) looking ??= setInterval(() => void lookWhoSpeaks(), lookMs);
    const spoken = calls.filter(({ me }) => ends.get(me.legId)?.voices);
    messages.follow(spoken);
    recordings.follow(spoken);
    listening.follow(calls);
    if (ends.size === 0) microphone.close();
    // Of what is shared in a call that is held nothing is heard in another one.
    microphone.mix(calls.flatMap(({ me }) => (me.state === 'connected' ? pictures.shownAt(me.legId) : [])));
    tellWhoSpeaks();
  };

  /** Those that stay until this page speaks need not any more, once it does. */
  const lookWhoSpeaks = async () => {
    const awaited = selectTaken(store.getState()).filter(({ me, call }) => isStayedFor(call, me.legId));
    if (awaited.length === 0 && looking !== null) {
      clearInterval(looking);
      looking = null;
    }
    for (const { me } of awaited) {
      const voices = ends.get(me.legId)?.voices;
      if (voices && !said.has(me.legId) && (await voices.isSpeaking())) {
        said.add(me.legId);
        // Nobody has asked for it: what is said on the screen stays.
        void services.link?.send({ type: 'speaks', legId: me.legId });
      }
    }
  };

  const tellWhoSpeaks = () => {
    const now = Object.fromEntries(
      [...ends].flatMap(([legId, { speaks }]) => (speaks === null ? [] : [[legId, speaks]])),
    );
    if (JSON.stringify(now) !== JSON.stringify(store.getState().office.speaksOn))
      store.dispatch(spokenOn(now));
  };

  server.hearOfVoices((told) => {
    if (told.kind === 'instead') {
      const end = ends.get(told.legId);
      if (!end) return;
      end.voices?.close();
      Object.assign(end, { voices: null, together: { peers: [] }, speaks: told.name });
      end.timer ??= setTimeout(() => void take(told.legId), againMs);
      if (![...ends.values()].some(({ voices }) => voices)) microphone.close();
      tellWhoSpeaks();
      return follow();
    }
    if (told.kind === 'peers') {
      const end = ends.get(told.legId);
      if (end) end.together = told;
      return end?.voices?.together(told);
    }
    const { voices } = ends.get(told.to) ?? {};
    void voices?.hear(told.from, told.signal).catch((error: unknown) => {
      console.error('A voice could not be met:', error);
    });
  });
  // The office has forgotten who spoke where; those who hear each other go on.
  server.follow((isReached) => {
    for (const [legId, end] of ends)
      if (isReached) void take(legId);
      else {
        end.together = { ...end.together, peers: [] };
        end.voices?.officeLost();
      }
  });
  let coming: Coming | null = null;
  const measuring = setInterval(() => {
    void Promise.all([...ends.values()].map(({ voices }) => voices?.measure() ?? null)).then((all) => {
      coming = all.find((each) => each !== null) ?? null;
      for (const [legId, { voices }] of ends) if (voices) pictures.restsHere(legId, voices.resting);
    });
  }, measureMs);
  Object.assign(services, {
    coming: () => coming,
    speakHere: (legId) => void take(legId, true),
  } satisfies Partial<Services>);
  const networkChanged = () => ends.forEach(({ voices }) => voices?.networkChanged());
  window.addEventListener('online', networkChanged);
  const stops = [
    whenChanged(store, selectTaken, follow),
    whenChanged(
      store,
      ({ settings }) => `${settings.microphone?.id ?? ''} ${settings.noise}`,
      () => {
        microphone.close();
        ends.forEach(({ voices }) => voices?.voiceChanged());
      },
    ),
  ];
  pictures.onSent = follow;
  follow();
  return () => {
    clearInterval(measuring);
    listening.end();
    if (looking !== null) clearInterval(looking);
    window.removeEventListener('online', networkChanged);
    stops.forEach((stop) => stop());
    ends.forEach(({ voices }) => voices?.close());
    microphone.close();
  };
}

const digitsOf = ({ legs }: Call, legId: string) => legs.find(({ id }) => id === legId)?.digitsSent ?? '';

/** Whether another device of theirs stays in the call until this end speaks. */
function isStayedFor({ legs }: Call, legId: string): boolean {
  const me = legs.find(({ id }) => id === legId);
  return legs.some(
    ({ leaves, state, personId }) => leaves && state !== 'cleared' && personId === me?.personId,
  );
}

/** What speaks with other browsers; null: it can't be fetched now. */
const fetchVoices = () => import('@/office/voices').catch(() => null);

/** One microphone for all calls of this device, open as long as there is one; with it goes the sound of what is shared. */
class SharedMicrophone {
  private open: Promise<OutgoingVoice | null> | null = null;
  private shared: readonly MediaStream[] = [];

  constructor(private readonly store: AppStore) {}

  /** What it gives, as others are to hear it; null: this browser gives none, which has been said. */
  async track(): Promise<MediaStreamTrack | null> {
    this.open ??= this.openIt();
    return (await this.open)?.track ?? null;
  }

  /** These are shared now. */
  mix(shared: readonly MediaStream[]): void {
    this.shared = shared;
    void this.open?.then((voice) => voice?.mix(this.shared));
  }

  close(): void {
    const { open } = this;
    this.open = null;
    void open?.then((voice) => voice?.close());
  }

  private async openIt(): Promise<OutgoingVoice | null> {
    const { microphone, noise } = this.store.getState().settings;
    try {
      const { openMicrophone, OutgoingVoice: Outgoing } = await import('@/office/microphone');
      const there = soundDevicesOf(await navigator.mediaDevices.enumerateDevices(), 'audioinput');
      const voice = new Outgoing(
        await openMicrophone({ microphoneId: deviceNow(microphone, there)?.id ?? null, noise }),
      );
      voice.mix(this.shared);
      return voice;
    } catch {
      this.store.dispatch(
        actRefused('They can’t hear you: this browser gives no microphone. Allow it for this page.'),
      );
      return null;
    }
  }
}

/** The chosen loudspeaker; null: the device's own choice. */
const speakerOf = (store: AppStore): string | null => store.getState().settings.speaker?.id ?? null;
