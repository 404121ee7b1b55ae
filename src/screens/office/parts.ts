import { whereTo, type Line, type OfficeIndex, type OfficeSetup } from '@/core/setup';
import { formatAny } from '@/state/app';

export type OfficePart = 'people' | 'lines' | 'teams' | 'menus' | 'conferences';

/** A row of a part of the office. */
export interface PartRow {
  id: string;
  name: string;
  detail: string;
  /** How a line's cord is drawn. */
  cord?: Line['cord'];
}

interface Part {
  title: string;
  /** How many there are, and of what. */
  about: (setup: OfficeSetup) => string;
  /** Said where none is opened. */
  choose: string;
  newWord: string;
  none: string;
  rowsOf: (office: OfficeIndex) => PartRow[];
}

const count = (number: number, one: string, many: string) => `${number} ${number === 1 ? one : many}`;

/** What the office consists of, in the order in which it is shown. */
export const officeParts: Readonly<Record<OfficePart, Part>> = {
  people: {
    title: 'People',
    choose: 'Choose somebody to change, or begin with somebody new.',
    about: ({ people }) => count(people.length, 'person', 'people'),
    newWord: 'Somebody new',
    none: 'Nobody is here yet',
    rowsOf: (office) =>
      office.setup.people.map(({ id, name, role, extension, administers }) => {
        const phones = office.phonesOf(id).map((device) => device.name);
        const words = [
          extension,
          ...(role === '' ? [] : [role]),
          phones.length === 0 ? 'no phone' : phones.join(', '),
          ...(administers ? ['runs the office'] : []),
        ];
        return { id, name, detail: words.join(' · ') };
      }),
  },
  lines: {
    title: 'Lines',
    choose: 'Choose a line to change, or take a new one.',
    about: ({ lines }) => count(lines.length, 'line', 'lines'),
    newWord: 'A new line',
    none: 'No line yet',
    rowsOf: (office) =>
      office.setup.lines.map(({ id, name, number, ownerId, urgent, cord }) => {
        const owner =
          office.people.get(ownerId)?.name ??
          office.teams.get(ownerId)?.name ??
          office.menus.get(ownerId)?.name ??
          office.conferences.get(ownerId)?.name ??
          'nobody';
        return {
          id,
          name,
          cord,
          detail: `${formatAny(number, office.plan)} · to ${owner}${urgent ? ' · urgent' : ''}`,
        };
      }),
  },
  teams: {
    title: 'Teams',
    choose: 'Choose a team to change, or begin a new one.',
    about: ({ teams }) => count(teams.length, 'team', 'teams'),
    newWord: 'A new team',
    none: 'No team yet',
    rowsOf: (office) =>
      office.setup.teams.map(({ id, name, extension, memberIds }) => {
        const names = memberIds.map((memberId) => office.people.get(memberId)?.name.split(' ')[0] ?? '');
        return { id, name, detail: `${extension} · ${names.join(', ')}` };
      }),
  },
  menus: {
    title: 'Menus',
    choose: 'Choose a menu to change, or begin a new one.',
    about: ({ menus }) => count(menus.length, 'menu', 'menus'),
    newWord: 'A new menu',
    none: 'No menu yet',
    rowsOf: (office) =>
      office.setup.menus.map(({ id, name, extension, keys }) => {
        const leads = keys.map(({ key, to }) => `${key} ${whereTo(to, office)}`);
        return { id, name, detail: `${extension} · ${leads.join(', ')}` };
      }),
  },
  conferences: {
    title: 'Conferences',
    choose: 'Choose a conference to change, or begin a new one.',
    about: ({ conferences }) => count(conferences.length, 'conference', 'conferences'),
    newWord: 'A new conference',
    none: 'No conference yet',
    rowsOf: (office) =>
      office.setup.conferences.map(({ id, name, extension, waitsForHost }) => {
        const lines = office.setup.lines.filter(({ ownerId }) => ownerId === id);
        const words = [
          extension,
          ...lines.map(({ number }) => formatAny(number, office.plan)),
          ...(waitsForHost ? ['waits for its host'] : []),
        ];
        return { id, name, detail: words.join(' · ') };
      }),
  },
};
