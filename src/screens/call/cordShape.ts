import type { CallView } from '@/state/app';

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

/** The cord of one call, from who hears whom. */
export function shapeOf(view: CallView): CordShape {
  const [other] = view.others;
  const isHeardByThem = other?.heard.kind === 'voices' && other.heard.legIds.includes(view.me.legId);
  const { heard } = view.me;
  switch (view.phase) {
    case 'failed':
      return { reach: 'broken', up: 'none', down: 'none', rings: false };
    case 'incoming':
    case 'calling':
    case 'ringing':
      return { reach: 'open', up: 'none', down: 'none', rings: view.phase !== 'calling' };
    case 'held':
      return {
        reach: 'held',
        up: other?.heard.kind === 'music' ? 'music' : 'cut',
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
    case 'talking':
      return {
        reach: 'plugged',
        up: isHeardByThem ? 'sounds' : 'cut',
        down:
          heard.kind === 'music'
            ? 'music'
            : heard.kind === 'voices' && heard.legIds.length > 0
              ? 'sounds'
              : 'cut',
        rings: false,
      };
  }
}
