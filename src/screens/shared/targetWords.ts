import type { OfficeIndex } from '@/core/setup';
import { formatAny } from '@/state/app';

/** What rings, in a word or two: own devices by what they are, others by whose they are, numbers as they are written. */
export function shortTargetName(
  { deviceId, number }: { deviceId: string | null; number: string | null },
  office: OfficeIndex,
  myId: string,
  place: 'alone' | 'inSentence' = 'alone',
): string {
  if (deviceId === null) return formatAny(number ?? '', office.plan);
  const device = office.devices.get(deviceId);
  const owner = office.ownerOf(deviceId);
  if (!device) return deviceId;
  if (owner && owner.id !== myId) return owner.name.split(' ')[0] ?? owner.name;
  const word = owner && device.kind === 'app' ? 'this app' : device.name;
  return place === 'alone' ? word.charAt(0).toUpperCase() + word.slice(1) : word;
}
