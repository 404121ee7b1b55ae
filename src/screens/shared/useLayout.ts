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
  /** Not high enough for anything that could be left out. */
  isShort: boolean;
  /** A phone held across: what stands one above the other elsewhere stands side by side. */
  isAcross: boolean;
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
  const isLow = height < size(breakpoints.low);
  return {
    isWide: width >= breakpoints.wide,
    hasThird: width >= breakpoints.third,
    // Large letters need the height that a low window lacks.
    isLow,
    isShort: height < size(breakpoints.short),
    isAcross: isLow && width > height && width < breakpoints.wide && width > size(breakpoints.across),
    isNarrow: width < size(breakpoints.narrow),
    isNarrowest: width < breakpoints.narrowest,
    hasKeyboard,
  };
}
