/** In which sizes pictures are sent: as they are looked at, and as the network bears it. */
export { PictureFit } from './PictureFit';
export { layers, sizesFor, type Layer, type LookedAt, type SentAs } from './sizes';
