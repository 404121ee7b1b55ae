import { actDone, useAppDispatch } from '@/state/app';

/** Copies a link, which is said; gives why it can’t be, or null. */
export function useCopyLink(): (link: string) => Promise<string | null> {
  const dispatch = useAppDispatch();
  return async (link) => {
    try {
      await navigator.clipboard.writeText(link);
      dispatch(actDone('The link is copied.'));
      return null;
    } catch {
      return 'This browser lets nothing be copied. Mark the link and copy it by hand.';
    }
  };
}
