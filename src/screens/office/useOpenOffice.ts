import { selectTaken, useAppSelector } from '@/state/app';

/** Opens the office that is chosen now, from its beginning. Not in a call, which would be left alone. */
export function useOpenOffice(): { refusal: string | null; now: () => void } {
  const isInCall = useAppSelector((state) => selectTaken(state).length > 0);
  return {
    refusal: isInCall ? 'You are in a call. End it first.' : null,
    now: () => window.location.assign('/'),
  };
}
