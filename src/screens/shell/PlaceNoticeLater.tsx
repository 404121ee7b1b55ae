import { useEffect, useState, type ComponentType } from 'react';

import { useAppSelector } from '@/state/app';

import { fetchPlaceNotice } from '../looseEnds/fetchInboxScreens';

/** Fetched when there is something to ask. */
export function PlaceNoticeLater() {
  const isDoubted = useAppSelector(({ settings }) => settings.isPlaceDoubted);
  const [PlaceNotice, setPlaceNotice] = useState<ComponentType | null>(null);
  useEffect(() => {
    if (isDoubted) void fetchPlaceNotice().then((found) => setPlaceNotice(() => found));
  }, [isDoubted]);
  return isDoubted && PlaceNotice ? <PlaceNotice /> : null;
}
