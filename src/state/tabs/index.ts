/** How a tab reaches the office, wherever in this browser it is hosted. */
export {
  beginSchema,
  channelOf,
  hallOf,
  linkVersion,
  toOfficeSchema,
  toTabsSchema,
  type Begin,
  type Fault,
  type HostState,
  type ToOffice,
  type ToTabs,
  type Who,
} from './messages';
export { keptHost, type KeptHost } from './keptHost';
export { OfficeFromTab, type Denied } from './OfficeFromTab';
export { OtherTabs, type BetweenTabs } from './OtherTabs';
export { Unasked } from './Unasked';
