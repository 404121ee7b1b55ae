import isEqual from 'fast-deep-equal';

import type { OfficeIndex } from '../OfficeIndex';
import type { Edit, SetupEntry, SetupRow, SetupTable } from '../edits';

const kinds: Record<Exclude<SetupTable, 'office' | 'ringPlans'>, string> = {
  people: '',
  teams: 'the team ',
  lines: 'the line ',
  devices: 'the phone ',
  menus: 'the menu ',
  conferences: 'the conference ',
  callerGroups: 'the group of callers ',
};
const onceWords: Record<string, string> = {
  name: 'what the office is called',
  zone: 'its time zone',
  numbering: 'how its numbers are read',
  parkSlots: 'its park slots',
  policies: 'the rules of the house',
  rates: 'what calls cost',
};
const fieldWords: Record<string, string> = {
  name: 'name',
  role: 'role',
  extension: 'extension',
  presentedLineId: 'number shown',
  administers: 'who runs the office',
  may: 'what they may see and hear',
  answeredBy: 'who answers for them',
  isKeptToOwner: 'who may show it',
  situations: 'situations',
  follows: 'situations',
  situation: 'situation',
  screening: 'callers screened',
  memberIds: 'members',
  mailbox: 'mailbox',
  number: 'number',
  cord: 'cord',
  urgent: 'urgent',
  ownerId: 'whose it is',
  texts: 'texts',
  faxes: 'faxes',
  personId: 'whose it is',
  kind: 'kind',
  callLimit: 'calls at once',
  location: 'place',
  place: 'place',
  text: 'greeting',
  keys: 'keys',
  languages: 'languages',
  waitSeconds: 'wait',
  turns: 'turns',
  pin: 'PIN',
  hostPin: 'host PIN',
  waitsForHost: 'whether it waits for a host',
  finish: 'finish',
  keeperId: 'who is told',
};

/**
 * What was changed, as a sentence: "Ilse Varga: extension 201 is 205 now", "The team Yard is retired". What follows from something that is
 * retired, or comes with somebody new, is not told by itself.
 */
export function entryWords({ rows }: SetupEntry, office: OfficeIndex): string {
  const whole = rows.filter(({ before, after }) => before === null || after === null);
  const main = whole.filter(({ table }) => table !== 'devices' && table !== 'ringPlans');
  const told = main.length > 0 ? main : whole.length > 0 ? whole : rows;
  const said = [...new Set(told.map((row) => rowWords(row, office)))];
  return (
    said.slice(0, mostSaid).join(' · ') + (said.length > mostSaid ? ` · ${said.length - mostSaid} more` : '')
  );
}
const mostSaid = 4;

function rowWords({ table, id, before, after }: Edit, office: OfficeIndex): string {
  if (table === 'office') return upper(`${onceWords[id] ?? id} changed`);
  const name = nameOf(table, id, after ?? before, office);
  if (before === null) return upper(`${name} is new`);
  if (after === null) return upper(`${name} is retired`);
  const fields = Object.keys({ ...before, ...after }).filter(
    (field) => !isEqual(before[field], after[field]),
  );
  return `${upper(name)}: ${fields.map((field) => fieldChange(field, before[field], after[field])).join(', ')}`;
}

function nameOf(
  table: Exclude<SetupTable, 'office'>,
  id: string,
  row: SetupRow | null,
  office: OfficeIndex,
): string {
  if (table === 'ringPlans')
    return `the plan of ${office.ever.people.get(id)?.name ?? 'somebody no longer here'}`;
  const owner = table === 'devices' ? office.ever.people.get(String(row?.['personId']))?.name : undefined;
  return `${kinds[table]}${String(row?.['name'] ?? id)}${owner === undefined ? '' : ` of ${owner}`}`;
}

/** Short values are told, of longer ones that they were changed. */
function fieldChange(field: string, before: unknown, after: unknown): string {
  const word = fieldWords[field] ?? field;
  const isShort = [before, after].every(
    (value) => typeof value === 'string' && value !== '' && value.length <= 30,
  );
  const isName = !field.endsWith('Id') && !/pin$/i.test(field);
  return isShort && isName ? `${word} ${String(before)} is ${String(after)} now` : `${word} changed`;
}

const upper = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);
