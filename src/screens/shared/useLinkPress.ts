import { useRouter, type LinkProps } from 'expo-router';

import { leadAfterPaint } from './afterPaint';

type PressEvent = Parameters<NonNullable<LinkProps['onPress']>>[0];

/**
 * What a link does when it is pressed: it leads there once the press is painted. With a key held, or another button of the mouse,
 * the browser does as it always does.
 */
export function useLinkPress() {
  const router = useRouter();
  return (event: PressEvent, href: Parameters<typeof router.navigate>[0], dismisses = false) => {
    const { metaKey, altKey, ctrlKey, shiftKey, button } = event as unknown as MouseEvent;
    if (metaKey || altKey || ctrlKey || shiftKey || (button ?? 0) !== 0) return false;
    event.preventDefault();
    leadAfterPaint(() => (dismisses ? router.dismissTo(href) : router.navigate(href)));
    return true;
  };
}
