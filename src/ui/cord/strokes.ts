import type { Stroke } from '@/core/office';

/** Dash pattern of a stroke for a cord of that width, in pixels; undefined for an unbroken one. */
export function dashOf(stroke: Stroke, width: number): string | undefined {
  switch (stroke) {
    case 'dashed':
      return `${width * 2} ${width}`;
    case 'dotted':
      return `${width} ${width}`;
    case 'dashDot':
      return `${width * 3} ${width} ${width} ${width}`;
    case 'solid':
    case 'double':
    case 'thinPair':
      return undefined;
  }
}

/** The name of a stroke, for those who can't see it. */
export const strokeNames: Record<Stroke, string> = {
  solid: 'solid cord',
  dashed: 'dashed cord',
  dotted: 'dotted cord',
  double: 'double cord',
  dashDot: 'dash-dot cord',
  thinPair: 'thin pair cord',
};
