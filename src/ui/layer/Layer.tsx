import { useEffect, useId, useLayoutEffect, useRef, useState, type ReactNode } from 'react';
import { createPortal } from 'react-dom';
import { StyleSheet, View } from 'react-native';

import { dropLayer, openLayers, raiseLayer, useLayers } from './layers';

interface LayerProps {
  /** What it is called, by those who listen and where it waits to be taken up again. */
  title: string;
  /** Escape asks for it. */
  onClose: () => void;
  about?: string | null;
  children: ReactNode;
}

/**
 * A dialog over the app. What is under it can't be reached, save what is `TopMost`. Put aside, or while its screen is
 * covered, it is not seen, and keeps all that was typed in it.
 */
export function Layer({ title, onClose, about = null, children }: LayerProps) {
  const id = useId();
  const [element] = useState(makeElement);
  const isAside = useLayers().some((entry) => entry.id === id && entry.isAside);
  const latest = useRef({ title, onClose, about });
  useLayoutEffect(() => {
    latest.current = { title, onClose, about };
  });
  // Together with its being there: whoever presses Escape at once is heard.
  useLayoutEffect(() => {
    const before = document.activeElement;
    // Moved only where it must be: moving takes the focus away, and giving it back makes the browser lay out twice.
    if (document.body.lastElementChild !== element) document.body.append(element);
    const { title, about } = latest.current;
    raiseLayer({ id, title, about, element, isAside: false });
    focusInto(element);
    putCaretLast();
    const onKey = (event: KeyboardEvent) => {
      const top = openLayers().findLast((entry) => !entry.isAside);
      if (event.key !== 'Escape' || top?.id !== id) return;
      event.stopPropagation();
      latest.current.onClose();
    };
    document.addEventListener('keydown', onKey, true);
    return () => {
      document.removeEventListener('keydown', onKey, true);
      dropLayer(id);
      element.remove();
      if (before instanceof HTMLElement && before.isConnected) before.focus();
    };
  }, [id, element]);
  useEffect(() => {
    if (!isAside) focusInto(element);
  }, [isAside, element]);
  return createPortal(
    <View role="dialog" aria-label={title} style={[styles.layer, isAside && styles.aside]}>
      {children}
    </View>,
    element,
  );
}

/** In the page from the beginning, so that a field in it can have the focus at once. */
function makeElement(): HTMLElement {
  const element = document.createElement('div');
  document.body.append(element);
  return element;
}

function focusInto(element: HTMLElement): void {
  if (element.contains(document.activeElement)) return;
  const first = element.querySelector<HTMLElement>(
    'input, textarea, [tabindex="0"], [role=button]:not([aria-hidden])',
  );
  first?.focus();
}

/** Whoever types on while a field comes adds to what is in it. */
function putCaretLast(): void {
  const field = document.activeElement;
  const isText = field instanceof HTMLInputElement || field instanceof HTMLTextAreaElement;
  // Of an address, say, the browser gives no caret away.
  if (isText && field.selectionStart !== null)
    field.setSelectionRange(field.value.length, field.value.length);
}

const styles = StyleSheet.create({
  layer: { position: 'fixed' as 'absolute', inset: 0, zIndex: 100 },
  aside: { display: 'none' },
});
