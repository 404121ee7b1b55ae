import { decodeWav } from '@/core/shared/soundFiles';
import { recordGreeting } from '@/state/sounds';

/** What a greeting's own sound is made with; apart, since most greetings are typed. */
export const greetingSounds = { decodeWav, recordGreeting };
