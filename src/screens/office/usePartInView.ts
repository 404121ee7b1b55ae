import { useLocalSearchParams } from 'expo-router';
import { useEffect } from 'react';

/** A link such as /office?at=Calls has the part of that heading in view, with the focus at it. */
export function usePartInView(): void {
  const { at } = useLocalSearchParams<{ at?: string }>();
  useEffect(() => {
    if (at === undefined) return;
    const headings = [...document.querySelectorAll<HTMLElement>('main h2, [role="main"] h2')];
    const heading = headings.find(({ textContent }) => textContent === at);
    if (!heading) return;
    heading.tabIndex = -1;
    heading.scrollIntoView({ block: 'start' });
    heading.focus({ preventScroll: true });
  }, [at]);
}
