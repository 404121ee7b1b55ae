import { sampleCast, sampleOffice } from '@sample';

import type { HostBeginning } from '@/state/host';
import { ownStorage, sampleStorage } from '@/state/offices';
import type { Begin } from '@/state/tabs';

/** The offices of this device as their host begins them. */
export const hosted: Readonly<Record<Begin['office'], HostBeginning>> = {
  sample: { storage: sampleStorage, setup: sampleOffice, cast: sampleCast, hasChairs: true },
  own: { storage: ownStorage, setup: null, cast: sampleCast, hasChairs: false },
};
