import { expect, type Page } from '@playwright/test';

/**
 * Names of what can be tapped but not reached: scrolled to, its middle lies outside the window, or something else lies over
 * it. What lies under an open sheet or a ringing call (inert, hidden) is not asked for.
 */
export async function unreachable(page: Page): Promise<string[]> {
  await expect(page.locator('[data-shield]')).toBeHidden();
  return page.evaluate(() => {
    const roles = ['button', 'link', 'radio', 'checkbox', 'switch', 'slider', 'textbox', 'tab', 'spinbutton'];
    const wanted = `a[href], button, input, textarea, ${roles.map((role) => `[role=${role}]`).join(', ')}`;
    const isOffered = (element: HTMLElement) =>
      !element.closest('[inert], [aria-hidden=true]') &&
      element.checkVisibility({ visibilityProperty: true }) &&
      element.getClientRects().length > 0;
    const nameOf = (element: HTMLElement) => {
      const name = element.getAttribute('aria-label') ?? element.textContent ?? '';
      const { width, height, left, top } = element.getBoundingClientRect();
      const box = [left, top, width, height].map(Math.round).join(' ');
      return `${name.trim().slice(0, 60) || element.tagName} (${box})`;
    };
    const isReached = (element: HTMLElement) => {
      element.scrollIntoView({ block: 'center', inline: 'center', behavior: 'instant' });
      const { left, top, width, height } = element.getBoundingClientRect();
      if (width < 1 || height < 1) return false;
      const [x, y] = [left + width / 2, top + height / 2];
      if (x < 0 || y < 0 || x > window.innerWidth || y > window.innerHeight) return false;
      const hit = document.elementFromPoint(x, y);
      return (
        hit !== null && (element.contains(hit) || hit.contains(element) || hit.closest('label') !== null)
      );
    };
    return [...document.querySelectorAll<HTMLElement>(wanted)]
      .filter((element) => isOffered(element) && !isReached(element))
      .map(nameOf);
  });
}
