/** Heavy work beside the page. */
export { makeSampleHistory } from './makeSampleHistory';
