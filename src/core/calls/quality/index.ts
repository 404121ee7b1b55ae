/** How a call sounds (ITU-T G.107), how that develops, and which way a call should travel. */
export { codecs, type Codec, type CodecName } from './codecs';
export {
  byPlace,
  candidateKinds,
  connectionTestSchema,
  networkOfTest,
  qualityByCodec,
  type CandidateKind,
  type Passage,
  type ConnectionTest,
  type Reached,
  type TestedPlace,
} from './connectionTest';
export { eModelDefaults, mosFromRating, ratingFactor, type EModelInput } from './eModel';
export { jitterBuffer, networkSchema, playOut, qualityOver, type Network, type Quality } from './network';
export { networkOf, probesOver, tooLateMs, type Probe } from './probing';
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
