import { whatIsHeard } from './audioPaths';
import type { Call } from './call';

/** A voice that is heard: from whose end of the call to whose, by their legs. */
export interface VoicePath {
  from: string;
  to: string;
}

/** Which voices are heard by whom in a call, each pair once. Of a call that is not seen whole, those of the legs that are. */
export function voicePaths(call: Call): VoicePath[] {
  return Object.entries(whatIsHeard(call)).flatMap(([to, heard]) =>
    heard.kind === 'voices' ? heard.legIds.map((from) => ({ from, to })) : [],
  );
}
