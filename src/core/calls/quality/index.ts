/** How a call sounds (ITU-T G.107), how that develops, and which way a call should travel. */
export { codecs, type Codec, type CodecName } from './codecs';
export { eModelDefaults, mosFromRating, ratingFactor, type EModelInput } from './eModel';
export { jitterBuffer, networkSchema, playOut, qualityOver, type Network, type Quality } from './network';
export { recommendWay, ways, type TravelAnswer, type TravelQuestion, type Way } from './callMethod';
export {
  follow,
  hearingOf,
  trendSchema,
  warningOf,
  worstAcceptableMos,
  type Hearing,
  type Trend,
} from './trend';
