/** The office as it is hosted in a browser: read from storage, kept there, and reached by every tab. */
export { Belongings } from './belongings';
export { keepOffice } from './keepingOffice';
export { OfficeForTabs } from './OfficeForTabs';
export { type HostBeginning } from './openHost';
