import type { Source } from '@/core/people/upkeep';
import { useAppSelector, useServices } from '@/state/app';

import { selectSources } from './syncing';

/** Where contacts come from, as it stands; none before the address books have been fetched. */
export function useSources(): Source[] {
  const services = useServices();
  return useAppSelector((state) => selectSources(state, services.books), isSameList);
}

const isSameList = (a: readonly Source[], b: readonly Source[]) =>
  a.length === b.length && a.every((each, at) => each === b[at]);
