/** What has come in while the worker was somewhere else in the app, in the order it came, and what it asks for. */
export { arrivalKinds, arrivalsOf, type Arrival, type ParkedCall, type WhatCame } from './arrivals';
export { askWords, didWords } from './words';
