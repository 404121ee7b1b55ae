import { useState } from 'react';

interface KeyOnGroup {
  key: string;
  target: EventTarget;
  currentTarget: EventTarget;
  preventDefault(): void;
}

const stepOf: Readonly<Record<string, number>> = { ArrowDown: 1, ArrowRight: 1, ArrowUp: -1, ArrowLeft: -1 };

/** Space ticks and chooses, which the browser does only for its own controls. */
export function pressOnSpace(event: KeyOnGroup): void {
  const pressed = event.target as HTMLElement;
  if (event.key !== ' ' || !pressed.matches('[role=radio], [role=checkbox]')) return;
  event.preventDefault();
  pressed.click();
}

/**
 * One of several by keys (WAI-ARIA's radio group as in a toolbar): the whole is one stop of the Tab key, the arrows go about in
 * it, and Space or Enter chooses. The arrows choose nothing, since what is chosen often counts at once.
 */
export function useOneStop(chosen: number) {
  const [focused, setFocused] = useState<number | null>(null);
  const stop = focused ?? Math.max(0, chosen);
  const onKeyDown = (event: KeyOnGroup) => {
    pressOnSpace(event);
    const step = stepOf[event.key];
    if (step === undefined) return;
    const radios = [...(event.currentTarget as HTMLElement).querySelectorAll<HTMLElement>('[role=radio]')];
    const from = radios.indexOf(event.target as HTMLElement);
    if (from < 0) return;
    event.preventDefault();
    radios[(from + step + radios.length) % radios.length]?.focus();
  };
  return {
    group: { onKeyDown, onBlur: () => setFocused(null) } as object,
    option: (index: number) => ({
      tabIndex: index === stop ? (0 as const) : (-1 as const),
      onFocus: () => setFocused(index),
    }),
  };
}
