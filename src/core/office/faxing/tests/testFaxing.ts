import { testSetup } from '@/core/calls/exchange/tests/testOffice';
import type { FaxEvent } from '@/core/inbox/fax';
import { writtenFax } from '@/core/inbox/fax';
import { OfficeIndex, type OfficeSetup } from '@/core/setup';

import { member } from '../../tests/member';
import { allFaxesSeen, faxFromOnePerson, faxingRequestSchema, type FaxingRequest } from '..';
import { Faxing } from '../Faxing';

export const at = Date.UTC(2026, 10, 26, 10, 40);
export const farm = '+441174960155';
const [shared] = testSetup.teams;

/** For the tests: Ada (214) has a line of her own, `own`; she and Ben (201), who are a team, share `shared`; Cleo (211) has none. */
export const setup: OfficeSetup = {
  ...testSetup,
  teams: [{ ...shared!, memberIds: ['ada', 'ben'] }],
  lines: [
    ...testSetup.lines,
    {
      ...{ id: 'own', name: 'Own', number: '+447700900120', cord: { hue: 4, stroke: 'double' } },
      ...{ urgent: false, ownerId: 'ada', faxes: true },
    },
    {
      ...{ id: 'shared', name: 'Shared', number: '+447700900121', cord: { hue: 5, stroke: 'double' } },
      ...{ urgent: false, ownerId: shared!.id, faxes: true },
    },
  ],
};

/** The faxes of that office, and what its people ask for. */
export function openFaxing(isAdministrator = false) {
  const index = new OfficeIndex(setup);
  const faxing = new Faxing(() => index);
  let now = at;
  const roles = isAdministrator ? (['member', 'administrator'] as const) : (['member'] as const);
  const ask = (personId: string, request: FaxingRequest) =>
    faxing.request(member(personId, [...roles]), faxingRequestSchema.parse(request), ++now);
  const sendFax = (personId: string, id: string, lineId: string, pages = 2) =>
    ask(personId, { type: 'sendFax', id, number: farm, lineId, title: `Paper ${id}`, pages });
  const tell = (event: DistributiveOmit<FaxEvent, 'at'>) => faxing.told({ ...event, at: ++now });
  const comesIn = (id: string, lineId: string) =>
    faxing.arrived(
      faxFromOnePerson(
        writtenFax({
          ...{ id, at: ++now, number: farm, lineId, title: `Paper ${id}`, pages: 1 },
          ...{ direction: 'in', state: 'received', pagesUrl: '/paper.pdf' },
        }),
        '',
      ),
    );
  const sees = (personId: string) =>
    allFaxesSeen(personId, faxing).map(({ id, direction, state }) => `${id} ${direction} ${state}`);
  return { faxing, ask, sendFax, tell, comesIn, sees, now: () => now };
}

type DistributiveOmit<T, K extends PropertyKey> = T extends unknown ? Omit<T, K> : never;
