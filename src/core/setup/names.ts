import { formatNumber } from '@/core/numbers/numbering';
import type { OfficeIndex } from './OfficeIndex';
import type { Finish } from './ringPlan';

/** "Ilse Varga’s mailbox", to its owner "your mailbox"; "busy tone"; "forwarded to Workshop": where it would end. */
export function describeFinish(finish: Finish, office: OfficeIndex, readerId?: string): string {
  switch (finish.kind) {
    case 'mailbox':
      return finish.personId === readerId ? 'your mailbox' : `${nameOf(finish.personId, office)}’s mailbox`;
    case 'teamMailbox':
      return teamMailboxName(finish.teamId, office);
    case 'busy':
      return 'busy tone';
    case 'forward':
      return `forwarded to ${whereTo(finish.to, office)}${finish.acceptKey ? ', taken there by a key' : ''}`;
    case 'textBack':
      return 'a text back';
  }
}

/** "the mailbox of Field team". */
export const teamMailboxName = (teamId: string, office: OfficeIndex) =>
  `the mailbox of ${office.ever.teams.get(teamId)?.name ?? 'no team'}`;

export const nameOf = (personId: string, office: OfficeIndex) =>
  office.ever.people.get(personId)?.name ?? 'Somebody no longer here';

/** Who or what is dialled by that: a name where the office knows it, else the number as it is written. */
export function whereTo(number: string, office: OfficeIndex): string {
  const known =
    office.peopleByExtension.get(number) ??
    office.teamsByExtension.get(number) ??
    office.menusByExtension.get(number) ??
    office.conferencesByExtension.get(number) ??
    office.linesByNumber.get(number);
  return known?.name ?? (number.startsWith('+') ? formatNumber(number, office.plan) : number);
}

/** The device's name, or the number as it is written: what rang. */
export function targetName(
  { deviceId, number }: { deviceId: string | null; number: string | null },
  office: OfficeIndex,
  readerId?: string,
): string {
  return deviceId === null ? whereTo(number ?? '', office) : deviceName(deviceId, office, readerId);
}

/** "Ilse Varga’s desk phone", "Meeting room"; to its owner "Your desk phone". */
export function deviceName(deviceId: string, office: OfficeIndex, readerId?: string): string {
  const device = office.ever.devices.get(deviceId);
  if (!device) return 'A device no longer here';
  const owner = office.ever.people.get(device.personId ?? '');
  if (!owner) return device.name;
  if (owner.id !== readerId) return `${owner.name}’s ${device.name}`;
  return device.kind === 'app' && device.contactOf === undefined ? 'This app' : `Your ${device.name}`;
}
