import type { OfficeIndex } from '@/core/office';
import { formatAny } from '@/state/app';

/** What rings, in a word or two: own devices by what they are, others by whose they are, numbers as they are written. */
export function shortTargetName(
  { deviceId, number }: { deviceId: string | null; number: string | null },
  office: OfficeIndex,
  myId: string,
): string {
  if (deviceId === null) return formatAny(number ?? '');
  const device = office.devices.get(deviceId);
  const owner = office.ownerOf(deviceId);
  if (!device) return deviceId;
  if (owner && owner.id !== myId) return owner.name.split(' ')[0] ?? owner.name;
  if (owner && device.kind === 'app') return 'This app';
  return device.name.charAt(0).toUpperCase() + device.name.slice(1);
}
