import type { OtherTabs } from '../tabs';
import { formerDraftKind, settingsKind, storageKeys, Vault } from '../storage';
import { settingsLoaded } from './slices';
import { whenChanged, type AppStore } from './store';

/** Reads what is chosen for this device. Gives what of the worker's own earlier versions kept on it. */
export async function readDevice(store: AppStore, vault: Vault) {
  const [[settings] = [], [draft] = []] = await Promise.all([
    vault.read(storageKeys.settings, settingsKind).then((found) => found ?? []),
    vault.read(storageKeys.formerDraft, formerDraftKind).then((found) => found ?? []),
  ]);
  if (settings) store.dispatch(settingsLoaded({ ...settings, formerHabits: [] }));
  return { habits: settings?.formerHabits ?? [], draft: draft ?? null };
}

/** Keeps what is chosen for this device, and has it the same in all tabs. Gives what ends it. */
export function keepDevice(store: AppStore, vault: Vault, others: OtherTabs): () => void {
  let isFromOthers = false;
  const takeIn = (act: () => void) => {
    isFromOthers = true;
    act();
    isFromOthers = false;
  };
  const stops = [
    whenChanged(
      store,
      ({ settings }) => settings,
      (settings) => {
        if (isFromOthers) return;
        void vault.write({ [storageKeys.settings]: Vault.encode([settings], settingsKind) });
        others.say({ kind: 'settings', settings });
      },
    ),
    others.hear((said) => {
      if (said.kind === 'settings') takeIn(() => store.dispatch(settingsLoaded(said.settings)));
    }),
  ];
  return () => stops.forEach((stop) => stop());
}
