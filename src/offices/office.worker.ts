import { config } from 'zod';

import { broadcastPort } from '@/office/channel';
import { OfficeForTabs } from '@/state/host';
import { beginSchema } from '@/state/tabs';

import { hosted } from './hosted';

// The page's policy forbids code made from text, which Zod would otherwise try.
config({ jitless: true });

/** Hosts one office for all tabs of this browser, as long as the tab lives that opened it. */
self.onmessage = ({ data }: MessageEvent<unknown>) => {
  const { office, ...begin } = beginSchema.parse(data);
  void new OfficeForTabs(hosted[office], { ...begin, openPort: broadcastPort }).open();
};
