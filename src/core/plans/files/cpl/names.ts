import type { Finish, OfficeIndex, RingTarget } from '@/core/setup';

/**
 * How this office's people, phones and mailboxes are named in a CPL script. "office.invalid" is reserved for such
 * (RFC 2606 §2); a system elsewhere that reads the script has to be told its own names for them.
 */
const domain = 'office.invalid';
/** The sub-action for what happens where no rule fits. */
export const noRule = 'no-rule';
const deviceHost = `devices.${domain}`;
const mailboxHost = `mailbox.${domain}`;
/** A text back: the line it comes from, and the text as the URL's body (RFC 3261 §19.1.1). */
const textHost = `text.${domain}`;

/** Kinds of callers as hosts of their address: what CPL has no word for, but can ask for by name. */
export const callerHosts = {
  colleague: `colleague.${domain}`,
  starred: `starred.${domain}`,
  unknown: `unknown.${domain}`,
} as const;
/** Whoever withholds their number comes from there (RFC 3323 §4.1.1.3). */
export const anonymousHost = 'anonymous.invalid';
/** "repeated-2-15": has called twice within fifteen minutes. */
export const repeatedPattern = /^repeated-(\d+)-(\d+)\.office\.invalid$/;
export const groupPattern = /^group-(.+)\.office\.invalid$/;
export const repeatedHost = (times: number, minutes: number) => `repeated-${times}-${minutes}.${domain}`;
export const groupHost = (groupId: string) => `group-${encodeURIComponent(groupId)}.${domain}`;

export function targetUrl(target: RingTarget, office: OfficeIndex): string {
  const key = `${target.acceptKey ? ';accept-key=1' : ''}${target.saysName ? ';says-name=1' : ''}`;
  if ('number' in target) return `tel:${target.number}${key}`;
  if ('deviceId' in target) return `sip:${encodeURIComponent(target.deviceId)}@${deviceHost}${key}`;
  const extension =
    'personId' in target
      ? office.people.get(target.personId)?.extension
      : office.teams.get(target.teamId)?.extension;
  return `sip:${extension ?? 'nobody'}@${domain}${key}`;
}

export function finishUrl(finish: Exclude<Finish, { kind: 'busy' }>, office: OfficeIndex): string {
  if (finish.kind === 'forward') {
    const key = finish.acceptKey ? ';accept-key=1' : '';
    const address = finish.to.startsWith('+')
      ? `tel:${finish.to}`
      : `sip:${encodeURIComponent(finish.to)}@${domain}`;
    return `${address}${key}`;
  }
  if (finish.kind === 'textBack')
    return `sip:${encodeURIComponent(finish.lineId)}@${textHost}?body=${encodeURIComponent(finish.text)}`;
  if (finish.kind === 'teamMailbox')
    return `sip:${office.teams.get(finish.teamId)?.extension ?? 'nobody'}@${mailboxHost}`;
  return `sip:${office.people.get(finish.personId)?.extension ?? 'nobody'}@${mailboxHost}`;
}

/** What an address of a script means here. */
export type Located =
  | { kind: 'target'; target: RingTarget }
  | { kind: 'mailbox'; personId: string }
  | { kind: 'teamMailbox'; teamId: string }
  | { kind: 'textBack'; lineId: string; text: string }
  | { kind: 'dialled'; to: string };

/** Reads an address; null where this office has nothing of that name. */
export function readUrl(url: string, office: OfficeIndex): Located | null {
  const [address = '', ...parameters] = url.trim().split(';');
  const timing = {
    startSeconds: 0,
    ...(parameters.includes('accept-key=1') && { acceptKey: true }),
    ...(parameters.includes('says-name=1') && { saysName: true }),
  };
  const tel = /^tel:(\+?[\d().\- ]+)$/i.exec(address);
  if (tel) return located(tel[1]?.replace(/[^\d+]/g, '') ?? '', timing, office);
  const sip = /^sips?:([^@]+)@([^?]+)(?:\?body=(.+))?$/i.exec(address);
  if (!sip) return null;
  const user = decoded(sip[1] ?? '');
  const host = (sip[2] ?? '').toLowerCase();
  if (host === deviceHost)
    return office.devices.get(user)?.personId
      ? { kind: 'target', target: { deviceId: user, ...timing } }
      : null;
  if (host === mailboxHost) {
    const person = office.peopleByExtension.get(user);
    if (person) return { kind: 'mailbox', personId: person.id };
    const team = office.teamsByExtension.get(user);
    return team?.mailbox ? { kind: 'teamMailbox', teamId: team.id } : null;
  }
  if (host === textHost) {
    const text = decoded(sip[3] ?? '');
    return office.lines.has(user) && text !== '' ? { kind: 'textBack', lineId: user, text } : null;
  }
  if (host === domain) return located(user, timing, office) ?? { kind: 'dialled', to: user };
  return elsewhere(user, host, timing, office);
}

/** A host by whose name a voicemail system answers, as in RFC 3880's examples. */
const voicemailHost = /(^|\.)(voice-?mail|mailbox|vm)\./i;

/**
 * An address of another system: somebody of that extension, phone name or whole number is meant here too; at a voicemail
 * host it is their mailbox, and not their phones.
 */
function elsewhere(
  user: string,
  host: string,
  timing: { startSeconds: number },
  office: OfficeIndex,
): Located | null {
  if (voicemailHost.test(host)) {
    const owner =
      office.peopleByExtension.get(user) ?? office.people.get(user.toLowerCase()) ?? named(user, office);
    return owner ? { kind: 'mailbox', personId: owner.id } : null;
  }
  const known = located(user, timing, office);
  if (known) return known;
  if (office.devices.get(user)?.personId) return { kind: 'target', target: { deviceId: user, ...timing } };
  const byName = office.people.get(user.toLowerCase()) ?? named(user, office);
  return byName ? { kind: 'target', target: { personId: byName.id, ...timing } } : null;
}

const named = (user: string, office: OfficeIndex) =>
  office.setup.people.find(({ name }) => name.toLowerCase().split(' ')[0] === user.toLowerCase());

/** Whether a mailbox answers there. */
export function isMailboxUrl(url: string, office: OfficeIndex): boolean {
  const kind = readUrl(url, office)?.kind;
  return kind === 'mailbox' || kind === 'teamMailbox';
}

function located(name: string, timing: { startSeconds: number }, office: OfficeIndex): Located | null {
  const person = office.peopleByExtension.get(name);
  if (person) return { kind: 'target', target: { personId: person.id, ...timing } };
  // A menu rings nowhere: it can only be dialled.
  const team = office.teamsByExtension.get(name);
  if (team) return { kind: 'target', target: { teamId: team.id, ...timing } };
  return /^\+\d{7,15}$/.test(name) ? { kind: 'target', target: { number: name, ...timing } } : null;
}

function decoded(user: string): string {
  try {
    return decodeURIComponent(user);
  } catch {
    return user;
  }
}

/** Where a call ends that is redirected to an address; null where that is nobody here. */
export function finishAt(url: string, office: OfficeIndex): Finish | null {
  const found = readUrl(url, office);
  if (!found) return null;
  if (found.kind === 'mailbox' || found.kind === 'teamMailbox' || found.kind === 'textBack') return found;
  if (found.kind === 'dialled') return { kind: 'forward', to: found.to };
  const { target } = found;
  if ('number' in target)
    return { kind: 'forward', to: target.number, ...(target.acceptKey && { acceptKey: true }) };
  const owner =
    'personId' in target
      ? office.people.get(target.personId)
      : 'teamId' in target
        ? office.teams.get(target.teamId)
        : office.ownerOf(target.deviceId);
  return owner ? { kind: 'forward', to: owner.extension } : null;
}
