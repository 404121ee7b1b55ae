import { useEffect, useRef, type RefObject } from 'react';
import type { ScrollView } from 'react-native';

/** Whoever writes a line sees it, wherever in the log they had been reading. `newestId`: of the log's last line. */
export function useOwnLineInView(
  scroll: RefObject<ScrollView | null>,
  newestId: string | undefined,
  isOurs: boolean,
): void {
  const last = useRef(newestId);
  useEffect(() => {
    const before = last.current;
    last.current = newestId;
    if (before !== undefined && before !== newestId && isOurs)
      scroll.current?.scrollToEnd({ animated: false });
  }, [scroll, newestId, isOurs]);
}
