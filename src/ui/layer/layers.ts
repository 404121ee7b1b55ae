import { useSyncExternalStore } from 'react';

/** Something that lies over the app until it is closed: a sheet, a list of keys. */
export interface LayerEntry {
  id: string;
  title: string;
  element: HTMLElement;
  /** What it answers, so that nothing else has to ask the same over it: the id of a ringing call. */
  about: string | null;
  /** Put aside for something more pressing; what was typed in it stays. */
  isAside: boolean;
}

let entries: readonly LayerEntry[] = [];
const listeners = new Set<() => void>();

/** The topmost last. */
export const openLayers = (): readonly LayerEntry[] => entries;

export function raiseLayer(entry: LayerEntry): void {
  change([...entries.filter(({ id }) => id !== entry.id), entry]);
}

export function dropLayer(id: string): void {
  change(entries.filter((entry) => entry.id !== id));
}

/** A call has been taken: what lies open makes room for it. */
export function putLayersAside(): void {
  if (entries.some(({ isAside }) => !isAside)) change(entries.map((entry) => ({ ...entry, isAside: true })));
}

/** What was put aside lies open again. */
export function takeLayersUp(): void {
  change(entries.map((entry) => ({ ...entry, isAside: false })));
}

export function useLayers(): readonly LayerEntry[] {
  return useSyncExternalStore((changed) => {
    listeners.add(changed);
    return () => listeners.delete(changed);
  }, openLayers);
}

function change(next: readonly LayerEntry[]): void {
  entries = next;
  leaveOnlyTheTopReachable();
  for (const listener of listeners) listener();
}

/** Only the topmost layer can be reached by finger, key and screen reader; what calls meanwhile lies outside of all. */
function leaveOnlyTheTopReachable(): void {
  const top = entries.findLast(({ isAside }) => !isAside);
  for (const { element } of entries) setReachable(element, top === undefined || element === top.element);
  const app = document.getElementById('root');
  if (app) setReachable(app, top === undefined);
}

function setReachable(element: HTMLElement, isReachable: boolean): void {
  element.inert = !isReachable;
  // Said as well, since not every screen reader knows the other.
  if (isReachable) element.removeAttribute('aria-hidden');
  else element.setAttribute('aria-hidden', 'true');
}
