import type { Queue } from '@/core/setup';

/** What is said to a caller who waits: the welcome, their place, about how long it takes, and the key by which they are called back. */
export function spokenInQueue(
  { welcome, tellsPlace, tellsWait, offersCallBack }: Queue,
  told: { place: number; waitSeconds: number | null },
  mayBeCalled: boolean,
): string {
  const minutes = told.waitSeconds === null ? null : Math.max(1, Math.round(told.waitSeconds / 60));
  return [
    welcome.trim(),
    tellsPlace ? (told.place === 1 ? 'You are next.' : `You are number ${told.place}.`) : '',
    tellsWait && minutes !== null ? `It takes about ${minutes} ${minutes === 1 ? 'minute' : 'minutes'}.` : '',
    offersCallBack && mayBeCalled ? 'Press 1, and we call you when it is your turn.' : '',
  ]
    .filter((part) => part !== '')
    .join(' ');
}
