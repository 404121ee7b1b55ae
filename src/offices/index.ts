import { fetchStartInbox, fetchStartOnDevice } from '@/screens/looseEnds/fetchInboxScreens';
import type { Beginning, LaterPart } from '@/state/app';
import { chosenOffice, isServed } from '@/state/offices';

import { own } from './own';
import { sample } from './sample';
import { served } from './served';

/** The office that this device opens: the only place that knows the sample. */
export function chosenBeginning(): Beginning {
  if (isServed()) return served;
  return chosenOffice() === 'own' ? own : sample;
}

/** What is fetched after the start. */
export const laterParts = (beginning: Beginning): LaterPart[] => [
  async () => {
    const [start, { laterOf }] = await Promise.all([fetchStartInbox(), import('./later')]);
    return (context) => start(context, laterOf(beginning));
  },
  fetchStartOnDevice,
];
