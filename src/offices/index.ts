import { fetchStartInbox, fetchStartOnDevice } from '@/screens/looseEnds/fetchInboxScreens';
import type { Beginning, LaterPart } from '@/state/app';
import { chosenOffice } from '@/state/offices';

import { own } from './own';
import { sample } from './sample';

/** The office that this device opens: the only place that knows the sample. */
export const chosenBeginning = (): Beginning => (chosenOffice() === 'own' ? own : sample);

/** What is fetched after the start. */
export const laterParts = (beginning: Beginning): LaterPart[] => [
  async () => {
    const [start, { laterOf }] = await Promise.all([fetchStartInbox(), import('./later')]);
    return (context) => start(context, laterOf(beginning));
  },
  fetchStartOnDevice,
];
