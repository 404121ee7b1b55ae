/** What lies over the app: layers one above the other, and what is above all of them. */
export { Layer } from './Layer';
export { openLayers, putLayersAside, takeLayersUp, useLayers, type LayerEntry } from './layers';
export { TopMost } from './TopMost';
export { useKeyboardInset } from './useKeyboardInset';
