import type { Clock } from '@/office/clock';
import type { OfficeLink } from '@/office/link';
import type { SoundPlayer } from '@/office/sound';

/** What the app's acts work with besides the store. Filled by `boot`. */
export interface Services {
  clock: Clock;
  link: OfficeLink | null;
  player: SoundPlayer | null;
  /** Moves the office from another tab into this one. */
  takeOver: () => Promise<void>;
}
