import { useSyncExternalStore } from 'react';
import { useWindowDimensions } from 'react-native';

import { breakpoints, useTheme } from '@/ui/tokens';

interface Layout {
  /** List and detail side by side. */
  isWide: boolean;
  /** A third column for live calls. */
  hasThird: boolean;
  /** Held across, or enlarged: too low for what stands at the foot of a phone to stay there. */
  isLow: boolean;
  isNarrow: boolean;
  isNarrowest: boolean;
  /** There is a keyboard, as far as a pointer that hovers tells. */
  hasKeyboard: boolean;
}

const hovering = typeof window.matchMedia === 'function' ? window.matchMedia('(hover: hover)') : null;

/** How much room there is, and what the app is used with. */
export function useLayout(): Layout {
  const { width, height } = useWindowDimensions();
  const { size } = useTheme();
  const hasKeyboard = useSyncExternalStore(
    (changed) => {
      hovering?.addEventListener('change', changed);
      return () => hovering?.removeEventListener('change', changed);
    },
    () => hovering?.matches ?? false,
  );
  return {
    isWide: width >= breakpoints.wide,
    hasThird: width >= breakpoints.third,
    // Large letters need the height that a low window lacks.
    isLow: height < size(breakpoints.low),
    isNarrow: width < size(breakpoints.narrow),
    isNarrowest: width < breakpoints.narrowest,
    hasKeyboard,
  };
}
