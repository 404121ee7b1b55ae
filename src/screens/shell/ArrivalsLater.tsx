import { useEffect, useState } from 'react';

import { useAppSelector } from '@/state/app';

import { fetchArrivalStrip } from '../looseEnds/fetchInboxScreens';

type Strip = Awaited<ReturnType<typeof fetchArrivalStrip>>;

/** What came in, once the part of the app that takes it in has been fetched. */
export function ArrivalsLater() {
  const isRead = useAppSelector((state) => state.inbox.isRead);
  const [Fetched, setFetched] = useState<Strip | null>(null);
  useEffect(() => {
    // It came with what has read what was kept, so that it can be had also without a network.
    if (isRead) void fetchArrivalStrip().then((found) => setFetched(() => found));
  }, [isRead]);
  return Fetched ? <Fetched /> : null;
}
