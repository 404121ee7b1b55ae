import { plainFollowUp } from '@/core/inbox/followUps';
import { goodNetwork } from '@/office/standins';

type Data = Record<string, unknown>;

/**
 * How what earlier versions kept becomes what this one reads. Only the fields that were added stand here; what a
 * migration makes passes the schema like anything else that is read.
 */

/** Records of version 1 knew neither who took part nor what was done with the call. */
export function recordFromVersion1(data: unknown): unknown {
  const record = data as Data;
  return {
    ...record,
    trace: traceFromVersion1(record['trace']),
    parties: [],
    acts: [],
    recordings: [],
    costMicros: 0,
  };
}

/** An office of version 1 could hold, mute and send digits, and nothing else. */
export function officeFromVersion1(data: unknown): unknown {
  const office = data as { exchange: Data & { calls: Data[] }; standIns: Data };
  const { exchange } = office;
  return {
    ...office,
    standIns: { ...office.standIns, busyUntil: {}, network: goodNetwork },
    exchange: { ...exchange, withoutWaiting: [], calls: exchange.calls.map(callFromVersion1) },
  };
}

function callFromVersion1(call: Data): Data {
  const ringing = call['ringing'] as Data | null;
  return {
    ...call,
    legs: (call['legs'] as Data[]).map(legFromVersion1),
    ringing: ringing && {
      ...ringing,
      trace: traceFromVersion1(ringing['trace']),
      broughtFor: 'call',
      broughtById: null,
    },
    earlierTraces: [],
    emergency: null,
    consultationFor: null,
    comesBackTo: null,
    returned: null,
    handedOver: null,
    parked: null,
    invitation: null,
    calledAfterwards: null,
    waitsFor: null,
    recordings: [],
    acts: [],
  };
}

/** Whose leg it is the exchange finds out itself when it is restored. */
const legFromVersion1 = (leg: Data): Data => ({
  ...leg,
  personId: null,
  broughtFor: 'call',
  broughtById: null,
  silencedBy: null,
  room: 'floor',
  roomBy: null,
  accept: 'no',
  replaces: null,
  leaves: false,
});

function traceFromVersion1(trace: unknown): unknown {
  if (!trace) return trace;
  const { legs, ...rest } = trace as Data & { legs: Data[] };
  return { ...rest, legs: legs.map((leg) => ({ ...leg, acceptKey: false })) };
}

/** Settings of version 1 knew the theme and the line shown. */
export const settingsFromVersion1 = (data: unknown): unknown => ({
  ...(data as Data),
  way: null,
  microphoneId: null,
  speakerId: null,
  isNoiseSuppressed: true,
  tellsElsewhere: false,
});

/** Version 2 kept heard voicemails for sixty days, and all else for good. */
export const settingsFromVersion2 = (data: unknown): unknown => ({
  ...(data as Data),
  favourites: [],
  ownReplies: [],
  keepDays: { voicemails: 60, texts: null, faxes: null },
});

export const settingsFromVersion3 = (data: unknown): unknown => ({
  ...(data as Data),
  shownFor: {},
  shownRules: [],
});

/** Version 4 held what is its person's, and not the device's, as well. */
export function settingsFromVersion4(data: unknown): unknown {
  const {
    presentedLineId,
    withhold,
    shownFor,
    shownRules,
    favourites,
    met,
    ownReplies,
    keepDays,
    ...device
  } = data as Data;
  const formerHabits = [
    { id: 'caller', presentedLineId, withhold, shownFor, shownRules },
    { id: 'favourites', keys: favourites },
    { id: 'met', acts: met ?? [] },
    { id: 'replies', texts: ownReplies },
    { id: 'keepDays', recordings: null, ...(keepDays as Data) },
  ];
  return { ...device, formerHabits };
}

/** Version 5 knew sound devices by their ids alone, and noise as suppressed or not. */
export function settingsFromVersion5(data: unknown): unknown {
  const { microphoneId, speakerId, isNoiseSuppressed, ...rest } = data as Data;
  const device = (id: unknown) => (typeof id === 'string' ? { id, name: '' } : null);
  return {
    ...rest,
    microphone: device(microphoneId),
    speaker: device(speakerId),
    ringer: null,
    noise: isNoiseSuppressed === false ? 'off' : 'light',
    soundTest: null,
  };
}

/** A follow-up of version 1 had neither a priority nor a list. */
export function workFromVersion1(data: unknown): unknown {
  const work = data as Data;
  return work['kind'] === 'followUp' ? { ...plainFollowUp, ...work } : work;
}
