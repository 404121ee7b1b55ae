/** Heavy work beside the page. */
export { lookBackInWorker } from './lookBackInWorker';
export { makeSampleHistory } from './makeSampleHistory';
