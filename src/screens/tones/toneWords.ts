import type { RingKind } from '@/core/calls/callerId';
import type { Ring } from '@/core/shared/sound';

export const ringWords: Record<Ring, string> = {
  gauge: 'Gauge',
  beck: 'Beck',
  curlew: 'Curlew',
  dipper: 'Dipper',
  lapwing: 'Lapwing',
  owl: 'Owl',
  bell: 'Bell',
  slate: 'Slate',
  ferry: 'Ferry',
  wren: 'Wren',
  flood: 'Flood',
};

export const kindWords: Record<RingKind, { word: string; detail: string }> = {
  urgent: { word: 'Urgent lines', detail: 'whoever calls them' },
  starred: { word: 'Starred callers', detail: 'those of a starred group' },
  team: { word: 'For a team', detail: 'also out of its queue' },
  colleague: { word: 'Colleagues', detail: 'of the office' },
  customer: { word: 'Anybody else', detail: 'from outside' },
};
