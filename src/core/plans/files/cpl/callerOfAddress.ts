import type { CallerMatch, OfficeIndex } from '@/core/setup';
import { anonymousHost, callerHosts, groupPattern, repeatedPattern } from './names';

/** The kind of caller that an address of a switch means (RFC 3880 §4.1); null for what a plan can't ask for. */
export function callerOfAddress(
  subfield: string | undefined,
  how: string,
  value: string,
  office: OfficeIndex,
): CallerMatch | null {
  const number = value.replace(/^(?:tel|sips?):/, '').split('@')[0] ?? '';
  if (subfield === 'host' && how === 'is') {
    if (value === anonymousHost) return { kind: 'withheld' };
    for (const kind of ['colleague', 'starred', 'unknown'] as const)
      if (value === callerHosts[kind]) return { kind };
    const repeated = repeatedPattern.exec(value);
    if (repeated) return { kind: 'repeated', times: Number(repeated[1]), withinMinutes: Number(repeated[2]) };
    const group = groupPattern.exec(value);
    const groupId = decodeURIComponent(group?.[1] ?? '');
    return office.setup.callerGroups.some(({ id }) => id === groupId) ? { kind: 'group', groupId } : null;
  }
  if (subfield === 'user' && value === 'anonymous') return { kind: 'withheld' };
  if (how === 'subdomain-of' && /^\+?\d+$/.test(value))
    return { kind: 'prefix', prefix: value.startsWith('+') ? value : `+${value}` };
  return how === 'is' && /^\+\d{7,15}$/.test(number) ? { kind: 'number', number } : null;
}
