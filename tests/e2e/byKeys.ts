import { expect, type Locator, type Page } from '@playwright/test';

/** More presses of a key than any screen has stops. */
const mostStops = 400;

/** Where an element stands among the stops of the Tab key, and where the focus is; -1 where it is none. */
const stopsOf = (element: HTMLElement) => {
  const dialogs = [...document.querySelectorAll<HTMLElement>('[role=dialog]')];
  const within = dialogs.findLast((dialog) => dialog.contains(element)) ?? document.body;
  const stops = [
    ...within.querySelectorAll<HTMLElement>('a[href], button, input, textarea, [tabindex]'),
  ].filter((each) => each.tabIndex >= 0 && !each.closest('[inert]') && each.getClientRects().length > 0);
  return {
    isStop: element.tabIndex >= 0,
    of: stops.indexOf(element),
    focus: stops.indexOf(document.activeElement as HTMLElement),
    isFocused: document.activeElement === element,
    role: element.getAttribute('role') ?? element.tagName.toLowerCase(),
  };
};

/** The arrow that leads on to an element, where it stands with the focus in a choice of one or in a list that the arrows go through. */
const arrowTo = (element: HTMLElement): string | null => {
  const { activeElement } = document;
  const within = element.closest('[role=radiogroup], [role=list]');
  if (element.tabIndex >= 0 || !activeElement || !within?.contains(activeElement)) return null;
  if (within.role === 'radiogroup') return 'ArrowDown';
  const rowOf = (each: Element) => Number(each.closest<HTMLElement>('[data-index]')?.dataset['index'] ?? NaN);
  const [from, to] = [rowOf(activeElement), rowOf(element)];
  return from < to ? 'ArrowDown' : from > to ? 'ArrowUp' : null;
};

/** Goes to something with Tab, or with the arrows where those go about; it fails where no key leads there. */
async function goTo(target: Locator): Promise<string> {
  const { keyboard } = target.page();
  await target.waitFor();
  for (let presses = 0; presses < mostStops; presses++) {
    const { isStop, of, focus, isFocused, role } = await target.evaluate(stopsOf);
    if (isFocused) return role;
    const arrow = await target.evaluate(arrowTo);
    if (arrow) await keyboard.press(arrow);
    else if (isStop && of >= 0 && focus > of) await keyboard.press('Shift+Tab');
    else await keyboard.press('Tab');
  }
  throw new Error(`No key leads to ${String(target)}`);
}

/** Presses a thing by the keyboard alone. */
async function press(target: Locator): Promise<void> {
  await expect(target).toBeEnabled();
  const role = await goTo(target);
  if (role === 'input' || role === 'textarea') return;
  const isSwitched = ['radio', 'checkbox', 'switch'].includes(role);
  await target.page().keyboard.press(isSwitched ? 'Space' : 'Enter');
}

/** From now on, whatever a test clicks or fills on this page is gone to and pressed by keys. Gives what ends that. */
export function walkByKeys(page: Page): () => void {
  const prototype = Object.getPrototypeOf(page.locator('body')) as Pick<Locator, 'click' | 'fill'>;
  const { click, fill } = prototype;
  prototype.click = function (this: Locator) {
    return press(this);
  };
  prototype.fill = async function (this: Locator, ...given: Parameters<Locator['fill']>) {
    await goTo(this);
    await fill.apply(this, given);
  };
  return () => Object.assign(prototype, { click, fill });
}
