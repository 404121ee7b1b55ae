import { isOpenRoom, type Cause, type Heard } from '@/core/calls/exchange';
import type { Speech } from '@/office/standins';
import type { CallView, PartyView } from '@/state/app';

const failureWords: Partial<Record<Cause, string>> = {
  userBusy: 'Busy',
  callRejected: 'They refused',
  unallocatedNumber: 'Number unknown',
  facilityRejected: 'No such service here',
  noAnswer: 'No answer',
  noUserResponding: 'No answer from the network',
};

/** Where a call stands, in a word or two. */
export function phaseWord(view: CallView): string {
  switch (view.phase) {
    case 'incoming':
      return 'Ringing here';
    case 'waiting':
      return 'Waits until they are free';
    case 'calling':
      return 'Calling';
    case 'ringing':
      return 'Ringing there';
    case 'talking':
      return view.me.muted ? 'Talking, you are muted' : 'Talking';
    case 'held':
      return 'Held';
    case 'mailbox':
      return 'In the mailbox';
    case 'menu':
      if (view.call.queued) return 'Waiting';
      return view.call.legs.some(isOpenRoom) ? 'Alone in the conference' : atMachine(view);
    case 'failed':
      return (view.call.failure && failureWords[view.call.failure]) ?? 'Failed';
  }
}

/** "hears you and Ilse Varga", "hears music": what the other end hears. */
export function theyHear(party: PartyView, view: CallView): string {
  if (view.phase === 'failed') return phaseWord(view).toLowerCase();
  const { queued, legs } = view.call;
  // The room itself hears whoever is alone in it.
  if (view.phase === 'menu' && legs.some(isOpenRoom)) return 'nobody else is here yet';
  if (queued?.legId === party.legId)
    return queued.told.place === 1 ? 'you are next' : `you are number ${queued.told.place}`;
  if (party.state === 'initiated') return 'being called';
  if (party.state === 'alerting') return 'ringing';
  if (party.state === 'held') return 'has you on hold';
  if (party.room === 'aside') return 'put aside, hears music';
  const heard = heardWord(party.heard, 'hears', view);
  return party.isSilenced ? `${heard}, and is muted` : heard;
}

/** "You hear Peg Anstey", "You hear music": what this end hears. */
export function youHear(view: CallView): string {
  return heardWord(view.me.heard, 'You hear', view);
}

function heardWord(heard: Heard, verb: string, view: CallView): string {
  switch (heard.kind) {
    case 'nothing':
    case 'ring':
      return `${verb} nothing`;
    case 'namePrompt':
      return `${verb} the question who is calling`;
    case 'acceptPrompt':
      return `${verb} who is calling, and may press 1`;
    case 'ringback':
      return `${verb} ringing`;
    case 'tone':
      return `${verb} ${heard.tone === 'unobtainable' ? 'the number-unknown tone' : 'busy tone'}`;
    case 'music':
      return `${verb} music`;
    case 'greeting':
      return `${verb} the greeting`;
    case 'menu':
      return `${verb} what the keys do`;
    case 'entrance':
      return heard.isWrong ? `${verb} that the PIN was wrong` : `${verb} the question for the PIN`;
    case 'visit':
      return heard.text === '' ? `${verb} their mailbox` : `${verb} “${heard.text}”`;
    case 'queue':
      return `${verb} music, and how far on it is`;
    case 'textNotice':
      return `${verb} that a text comes`;
    case 'voices':
      return `${verb} ${voices(heard.legIds, view)}`;
  }
}

/** Up to three are named; of more, only how many there are. */
function voices(legIds: readonly string[], { me, others }: CallView): string {
  const names = legIds.includes(me.legId) ? ['you'] : [];
  for (const { legId, name } of others) if (legIds.includes(legId)) names.push(name);
  if (names.length === 0) return 'nobody';
  if (names.length > 3)
    return names[0] === 'you' ? `you and ${names.length - 1} others` : `all ${names.length}`;
  return names.length === 1 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1) ?? ''}`;
}

/** Whether somebody, or a machine of the office, hears the keys. */
export const takesKeys = ({ phase }: Pick<CallView, 'phase'>) =>
  phase === 'talking' || phase === 'menu' || phase === 'mailbox';

/** Whether somebody at the other end hears this device. */
export const hearsMe = (party: PartyView, { me }: Pick<CallView, 'me'>) =>
  party.heard.kind === 'voices' && party.heard.legIds.includes(me.legId);

/** Whether this device hears that end. */
export const heardByMe = (party: PartyView, { me }: Pick<CallView, 'me'>) =>
  me.heard.kind === 'voices' && me.heard.legIds.includes(party.legId);

/** The latest words of those who are heard here: what others say out of hearing is none of them. */
export function lastSaid(
  { me: { heard } }: CallView,
  speech: Readonly<Record<string, Speech>>,
): string | null {
  if (heard.kind !== 'voices') return null;
  const latest = heard.legIds.flatMap((id) => speech[id] ?? []).sort((a, b) => b.at - a.at)[0];
  return latest?.text ?? null;
}

const atMachine = ({ call }: Pick<CallView, 'call'>) =>
  call.legs.some(({ endpoint, state }) => endpoint.kind === 'conference' && state !== 'cleared')
    ? 'Before a conference'
    : 'In a menu';
