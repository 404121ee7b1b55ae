import type { Stroke } from '@/core/setup';

/** The name of a stroke, for those who can't see it. */
export const strokeNames: Record<Stroke, string> = {
  solid: 'solid cord',
  dashed: 'dashed cord',
  dotted: 'dotted cord',
  double: 'double cord',
  dashDot: 'dash-dot cord',
  thinPair: 'thin pair cord',
};
