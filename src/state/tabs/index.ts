/** How a tab reaches the office, wherever in this browser it is hosted. */
export {
  beginSchema,
  channelOf,
  hallOf,
  linkVersion,
  toOfficeSchema,
  type Begin,
  type Fault,
  type HostState,
  type ToOffice,
  type ToTabs,
} from './messages';
export { OfficeFromTab } from './OfficeFromTab';
export { OtherTabs, type BetweenTabs } from './OtherTabs';
export { Unasked } from './Unasked';
