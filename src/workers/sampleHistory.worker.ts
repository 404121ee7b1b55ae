import { generateHistory } from '@sample/history';

/** Makes the sample's ninety days beside the page, which is in use meanwhile. Gets `now`, answers with all records. */
self.onmessage = ({ data: now }: MessageEvent<number>) => {
  self.postMessage(generateHistory(now).records);
};
