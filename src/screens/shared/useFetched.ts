import { useEffect, useState } from 'react';

/** A part of the app that does not weigh on the start: null until it is there; "missing" where it can't be fetched now. `fetchPart` stays the same. */
export function useFetched<Part>(fetchPart: () => Promise<Part>): Part | null | 'missing' {
  const [found, setFound] = useState<{ part: Part } | 'missing' | null>(null);
  useEffect(() => {
    let isGone = false;
    fetchPart().then(
      (part) => isGone || setFound({ part }),
      () => isGone || setFound('missing'),
    );
    return () => {
      isGone = true;
    };
  }, [fetchPart]);
  return found === 'missing' || found === null ? found : found.part;
}
