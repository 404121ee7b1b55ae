import { ukNumbering } from '@/core/numbers/numbering';

import type { OfficeSetup } from './setup';

/** An office in which nobody is yet: what others are built on. */
export const emptyOffice: OfficeSetup = {
  name: '',
  zone: 'Europe/London',
  numbering: ukNumbering,
  people: [],
  teams: [],
  lines: [],
  devices: [],
  ringPlans: [],
  menus: [],
  conferences: [],
  callerGroups: [],
  parkSlots: [],
  policies: { recording: 'onDemand', barred: [], transferReturnSeconds: 30, parkSeconds: 120 },
  rates: { currency: 'GBP', rates: [] },
};
