/** What stands behind somebody who shows themselves: what of a picture is they, and whether a device bears finding that out. */
export { alphaOf } from './alpha';
export { FramePace } from './FramePace';
export { backgrounds, type Background } from './backgrounds';
