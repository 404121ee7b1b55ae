import type { CallView, PartyView } from '@/state/app';

import { heardByMe, hearsMe } from '../shared/callWords';

/** A voice's way along a cord: it sounds, it is cut, music goes there instead, or there is none yet. */
export type Strand = 'sounds' | 'cut' | 'music' | 'none';

/** How a cord is drawn. A `plugged` one reaches both ends, an `open` one has not reached the other side. */
export interface CordShape {
  reach: 'plugged' | 'held' | 'open' | 'broken';
  /** Our voice, going up. */
  up: Strand;
  /** Theirs, coming down. */
  down: Strand;
  rings: boolean;
}

const open = (rings: boolean): CordShape => ({ reach: 'open', up: 'none', down: 'none', rings });

/** The cord between this device and one other end of a call, from who hears whom. */
export function shapeOf(view: CallView, party: PartyView): CordShape {
  const { heard } = view.me;
  const isOnTheWay = party.state === 'initiated' || party.state === 'alerting';
  switch (view.phase) {
    case 'failed':
      return { reach: 'broken', up: 'none', down: 'none', rings: false };
    case 'incoming':
    case 'waiting':
    case 'calling':
    case 'ringing':
      return open(view.phase === 'incoming' || party.state === 'alerting');
    case 'held':
      return {
        reach: 'held',
        up: party.heard.kind === 'music' ? 'music' : 'cut',
        down: 'cut',
        rings: false,
      };
    case 'mailbox':
      return {
        reach: 'plugged',
        up: heard.kind === 'greeting' ? 'cut' : 'sounds',
        down: heard.kind === 'greeting' ? 'sounds' : 'cut',
        rings: false,
      };
    case 'menu':
      return { reach: 'plugged', up: 'cut', down: heard.kind === 'queue' ? 'music' : 'sounds', rings: false };
    case 'talking':
      if (isOnTheWay) return open(party.state === 'alerting');
      return {
        reach: party.room === 'aside' ? 'held' : 'plugged',
        up: hearsMe(party, view) ? 'sounds' : party.heard.kind === 'music' ? 'music' : 'cut',
        down: heard.kind === 'music' ? 'music' : heardByMe(party, view) ? 'sounds' : 'cut',
        rings: false,
      };
  }
}
