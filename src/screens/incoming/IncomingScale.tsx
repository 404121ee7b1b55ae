import { RingScale } from '@/ui/scale';

import type { Incoming } from './useIncoming';

/** The seconds of what rings, which phones they go to, and where we stand in them. */
export function IncomingScale({ call }: { call: Incoming }) {
  return (
    <RingScale
      tracks={call.tracks}
      totalSeconds={call.totalSeconds}
      nowSeconds={call.nowSeconds}
      finish={call.finish}
      onNight
    />
  );
}
