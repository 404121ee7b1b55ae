import { sampleOffice } from '@sample';

import { deviceNow, pluggedIn, soundDevicesOf } from '@/office/sound';
import { actDone, createAppStore, soundChosen } from '@/state/app';

import { startSoundDevices } from './soundDevices';

type Listed = Pick<MediaDeviceInfo, 'kind' | 'deviceId' | 'label'>;
const device = (kind: MediaDeviceKind, deviceId: string, label: string): Listed => ({
  kind,
  deviceId,
  label,
});
const builtIn = [
  device('audioinput', 'default', 'Default'),
  device('audioinput', 'm1', 'Built-in microphone'),
  device('audiooutput', 's1', 'Built-in speaker'),
];
const headset = [device('audioinput', 'm2', 'Tarn headset'), device('audiooutput', 's2', 'Tarn headset')];

it('devices are those that have a name, each once', () => {
  expect(soundDevicesOf([...builtIn, device('audioinput', 'm3', '')], 'audioinput')).toEqual([
    { id: 'm1', name: 'Built-in microphone' },
  ]);
});

it('a chosen device is known again by its name where its id is another one', () => {
  const there = [{ id: 'new id', name: 'Tarn headset' }];
  expect(deviceNow({ id: 's2', name: 'Tarn headset' }, there)).toEqual(there[0]);
  expect(deviceNow({ id: 's2', name: '' }, there)).toBeNull();
  expect(deviceNow(null, there)).toBeNull();
});

it('what is plugged in is one thing to hear by and speak into', () => {
  expect(pluggedIn(builtIn, [...builtIn, ...headset])).toEqual({
    name: 'Tarn headset',
    microphone: { id: 'm2', name: 'Tarn headset' },
    speaker: { id: 's2', name: 'Tarn headset' },
  });
  expect(pluggedIn([...builtIn, ...headset], builtIn)).toBeNull();
});

describe('while the app runs', () => {
  const settled = () => new Promise((resolve) => setTimeout(resolve));
  let listed: Listed[] = builtIn;
  let changed: () => void = () => undefined;
  const used: string[] = [];
  const player = {
    useSpeaker: async (id: string | null) => void used.push(`speaker ${id}`),
    useRinger: async (id: string | null) => void used.push(`ringer ${id}`),
  };

  async function open() {
    listed = builtIn;
    used.length = 0;
    Object.defineProperty(globalThis, 'navigator', {
      configurable: true,
      value: {
        mediaDevices: {
          enumerateDevices: async () => listed,
          addEventListener: (_: string, listener: () => void) => (changed = listener),
          removeEventListener: () => (changed = () => undefined),
        },
      },
    });
    const { store } = createAppStore();
    const me = { personId: 'maren', deviceId: 'maren-app' };
    store.dispatch({
      type: 'office/joined',
      payload: { setup: sampleOffice, contacts: [], outsiders: [], me },
    });
    const stop = startSoundDevices(store, { player: player as never });
    await settled();
    const plug = async (now: Listed[]) => {
      listed = now;
      changed();
      await settled();
    };
    return { store, stop, plug };
  }

  it('a headset is offered when it comes, and no more when it goes', async () => {
    const { store, plug } = await open();
    expect(store.getState().notices.soundOffer).toBeNull();
    await plug([...builtIn, ...headset]);
    expect(store.getState().notices.soundOffer?.name).toBe('Tarn headset');
    await plug(builtIn);
    expect(store.getState().notices.soundOffer).toBeNull();
  });

  it('a chosen one that goes is said, and used again by itself when it is back', async () => {
    const { store, plug } = await open();
    store.dispatch(soundChosen({ speaker: { id: 's2', name: 'Tarn headset' } }));
    await plug([...builtIn, ...headset]);
    expect(used).toEqual(['speaker s2']);
    // It was chosen before: nobody has to take it up.
    expect(store.getState().notices.soundOffer).toBeNull();
    await plug(builtIn);
    expect(used).toEqual(['speaker s2', 'speaker null']);
    expect(store.getState().notices.done).toMatch(/^Tarn headset is gone\./);
    store.dispatch(actDone(null));
    await plug([...builtIn, ...headset]);
    expect(used.at(-1)).toBe('speaker s2');
    expect(store.getState().notices.done).toBeNull();
  });

  it('it rings where that was chosen, and nowhere else once it has ended', async () => {
    const { store, plug, stop } = await open();
    await plug([...builtIn, ...headset]);
    store.dispatch(soundChosen({ ringer: { id: 's2', name: 'Tarn headset' } }));
    await settled();
    expect(used).toEqual(['ringer s2']);
    stop();
    await plug(builtIn);
    expect(used).toEqual(['ringer s2']);
  });
});
