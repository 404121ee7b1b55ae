import type { Call, Leg } from '@/core/calls/exchange';
import type { OfficeIndex, Person } from '@/core/setup';
import { formatAny, identifyNumber, type PeopleIndex } from '@/core/people/contacts';

export { formatAny, identifyNumber };

/** Who somebody is, as far as the worker knows. */
export interface Identity {
  name: string;
  /** Firm, role or number: what tells two of a name apart. */
  detail: string;
  number: string | null;
  /** Set for those of the office. */
  personId: string | null;
}

interface Names {
  office: OfficeIndex;
  people: PeopleIndex;
}

/** Who is at the end of a leg. */
export function identifyEndpoint({ endpoint, role, personId }: Leg, call: Call, names: Names): Identity {
  const { office, people } = names;
  switch (endpoint.kind) {
    case 'device': {
      const person = office.people.get(personId ?? '');
      const device = office.devices.get(endpoint.deviceId);
      const line = role === 'called' ? office.linesByNumber.get(call.dialled) : undefined;
      if (!person)
        return { name: device?.name ?? endpoint.deviceId, detail: '', number: null, personId: null };
      const where = device?.kind === 'room' ? device.name : undefined;
      return {
        name: person.name,
        detail: where ?? line?.name ?? roleOf(person),
        number: person.extension,
        personId: person.id,
      };
    }
    case 'mailbox':
      return {
        name: `${office.people.get(endpoint.personId)?.name ?? 'A'} mailbox`,
        detail: 'mailbox',
        number: null,
        personId: null,
      };
    case 'teamMailbox':
      return {
        name: `${office.teams.get(endpoint.teamId)?.name ?? 'A team'} mailbox`,
        detail: 'mailbox',
        number: null,
        personId: null,
      };
    case 'menu':
      return {
        name: office.menus.get(endpoint.menuId)?.name ?? 'A menu',
        detail: 'menu',
        number: null,
        personId: null,
      };
    case 'conference':
      return {
        name: office.ever.conferences.get(endpoint.conferenceId)?.name ?? 'A conference',
        detail: 'conference',
        number: null,
        personId: null,
      };
    case 'queue':
      return {
        name: office.ever.teams.get(endpoint.teamId)?.name ?? 'A team',
        detail: 'queue',
        number: null,
        personId: null,
      };
    case 'textNotice':
      return { name: 'A text instead', detail: '', number: null, personId: null };
    case 'outside':
      if (endpoint.guestId !== undefined)
        return { name: endpoint.name ?? 'A guest', detail: 'guest, by a link', number: null, personId: null };
      return { ...identifyNumber(endpoint.number, endpoint.name, people), personId: null };
  }
}

/** “Field service · 214”. */
const roleOf = ({ role, extension }: Person) => [role, extension].filter(Boolean).join(' · ');

/** Who was called: a colleague, a team, a line, or a number. */
export function identifyDialled(dialled: string, { office, people }: Names): Identity {
  const person = office.peopleByExtension.get(dialled);
  if (person)
    return {
      name: person.name,
      detail: roleOf(person),
      number: person.extension,
      personId: person.id,
    };
  const team = office.teamsByExtension.get(dialled);
  if (team)
    return { name: team.name, detail: `team · ${team.extension}`, number: team.extension, personId: null };
  const menu = office.menusByExtension.get(dialled);
  if (menu)
    return { name: menu.name, detail: `menu · ${menu.extension}`, number: menu.extension, personId: null };
  const conference = office.conferencesByExtension.get(dialled);
  if (conference)
    return {
      ...{ name: conference.name, detail: `conference · ${conference.extension}` },
      ...{ number: conference.extension, personId: null },
    };
  const line = office.linesByNumber.get(dialled);
  if (line)
    return {
      name: line.name,
      detail: formatAny(line.number, office.plan),
      number: line.number,
      personId: null,
    };
  return { ...identifyNumber(dialled, null, people), personId: null };
}
