/** A sound device as the browser knows it, and by its name, where that id is another one next time. */
export interface SoundDevice {
  id: string;
  name: string;
}

/** What the browser names beside the devices themselves: its own choice among them. */
const standsForOthers = new Set(['default', 'communications', '']);

export type ListedDevice = Pick<MediaDeviceInfo, 'kind' | 'deviceId' | 'label'>;

/** The sound devices of one kind, each once, by name. Before the microphone was allowed they have none, and are left out. */
export const soundDevicesOf = (listed: readonly ListedDevice[], kind: MediaDeviceKind): SoundDevice[] =>
  listed
    .filter((each) => each.kind === kind && !standsForOthers.has(each.deviceId) && each.label !== '')
    .map(({ deviceId, label }) => ({ id: deviceId, name: label }));

/** Which of those that are plugged in is the chosen one: by its id, else by its name. null: none, or nothing was chosen. */
export function deviceNow(chosen: SoundDevice | null, there: readonly SoundDevice[]): SoundDevice | null {
  if (chosen === null) return null;
  return (
    there.find(({ id }) => id === chosen.id) ??
    there.find(({ name }) => name !== '' && name === chosen.name) ??
    null
  );
}

/** Which has come since, and is offered: something to hear by, to speak into, or both under one name. */
export function pluggedIn(before: readonly ListedDevice[], now: readonly ListedDevice[]) {
  const had = new Set(before.map(({ kind, label }) => `${kind} ${label}`));
  const came = now.filter(({ kind, label }) => !had.has(`${kind} ${label}`));
  const [microphone = null] = soundDevicesOf(came, 'audioinput');
  const [speaker = null] = soundDevicesOf(came, 'audiooutput');
  const name = speaker?.name ?? microphone?.name ?? null;
  return name === null ? null : { name, microphone, speaker };
}
