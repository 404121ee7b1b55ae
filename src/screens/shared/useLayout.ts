import { useWindowDimensions } from 'react-native';

import { breakpoints } from '@/ui/tokens';

/** How much room there is: list and detail side by side, and a third column for live calls. */
export function useLayout(): { isWide: boolean; hasThird: boolean } {
  const { width } = useWindowDimensions();
  return { isWide: width >= breakpoints.wide, hasThird: width >= breakpoints.third };
}
