/** The link of an app to an office: what is asked and told over it, in either direction. */
export {
  officeStateSchema,
  officeUpdateSchema,
  playingSchema,
  recordsIn,
  type OfficeLink,
  type OfficeState,
  type OfficeUpdate,
  type OutsideLink,
  type Playing,
  type ReadPlaying,
  type ToldBefore,
} from './link';
export { answeredSchema, type Numbered } from './numbered';
