/** The link to an office, and the office that runs in the page. */
export { InPageOffice, type InPageOfficeOptions, type OfficeStep } from './InPageOffice';
export {
  officeRequestSchema,
  officeStateSchema,
  officeUpdateSchema,
  type OfficeLink,
  type OutsideLink,
  type OfficeRequest,
  type OfficeState,
  type OfficeUpdate,
} from './link';
