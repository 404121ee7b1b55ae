import type { Cause, Heard } from '@/core/exchange';
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
    case 'failed':
      return (view.call.failure && failureWords[view.call.failure]) ?? 'Failed';
  }
}

/** "hears you", "hears music": what the other end hears. */
export function theyHear(party: PartyView, view: CallView): string {
  if (view.phase === 'failed') return phaseWord(view).toLowerCase();
  if (party.state === 'initiated') return 'being called';
  if (party.state === 'alerting') return 'ringing';
  if (party.state === 'held') return 'has you on hold';
  return heardWord(party.heard, 'hears', view.me.legId);
}

/** "You hear Peg Anstey", "You hear music": what this end hears. */
export function youHear(view: CallView): string {
  const [other] = view.others;
  const { heard } = view.me;
  if (heard.kind === 'voices' && heard.legIds.length > 0) return `You hear ${other?.name ?? 'them'}`;
  return heardWord(heard, 'You hear', '');
}

function heardWord(heard: Heard, verb: string, myLegId: string): string {
  switch (heard.kind) {
    case 'nothing':
    case 'ring':
      return `${verb} nothing`;
    case 'ringback':
      return `${verb} ringing`;
    case 'tone':
      return `${verb} ${heard.tone === 'unobtainable' ? 'the number-unknown tone' : 'busy tone'}`;
    case 'music':
      return `${verb} music`;
    case 'greeting':
      return `${verb} the greeting`;
    case 'voices':
      if (heard.legIds.includes(myLegId)) return `${verb} you`;
      return heard.legIds.length > 0 ? `${verb} the others` : `${verb} nobody`;
  }
}
