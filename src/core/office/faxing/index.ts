/** The office's faxes: kept once, asked for and seen by each as is theirs. */
export { faxFromOnePerson, keptFaxSchema, type KeptFax, type OfficeFax } from './entity';
export type { Faxing, FaxChange } from './Faxing';
export {
  faxingRequestSchema,
  type FaxingRefusal,
  type FaxingReply,
  type FaxingRequest,
  type ReadFaxingRequest,
} from './requests';
export { allFaxesSeen, faxingSeen, seenFaxingSchema } from './seen';
