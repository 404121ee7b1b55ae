import { formatMoment } from '@/core/shared/time';
import { selectPresence, selectZone, useAppSelector, useNow, type PresenceState } from '@/state/app';
import type { GaugeState } from '@/ui/person';

const words: Record<PresenceState, string> = {
  free: 'free',
  onCall: 'on a call',
  ringing: 'being called',
  away: 'away',
  off: 'off',
  doNotDisturb: 'do not disturb',
};

/** Somebody's presence as it is drawn and said. */
export interface PresenceWords {
  gauge: GaugeState;
  /** "do not disturb until 14:00" */
  word: string;
  /** The same with what they say of it: "away: On site, Cawder Weir". */
  full: string;
}

/** Everybody's presence by their id, as of this minute. */
export function usePresence(): (personId: string) => PresenceWords {
  const now = useNow(60_000);
  const zone = useAppSelector(selectZone);
  const presence = useAppSelector((state) => selectPresence(state, now));
  return (personId) => {
    const {
      state,
      word: said,
      until,
    } = presence[personId] ?? { state: 'free' as const, word: '', until: null };
    const isOwnWord = state === 'away' || state === 'off' || state === 'doNotDisturb';
    const end = until === null || !isOwnWord ? '' : ` until ${formatMoment(until, now, zone)}`;
    const word = `${words[state]}${end}`;
    return {
      gauge: state === 'ringing' ? 'free' : state,
      word,
      full: said === '' ? word : `${word}: ${said}`,
    };
  };
}
