import type { OtherTabs } from '../tabs';
import { planDraftKind, settingsKind, storageKeys, Vault } from '../storage';
import { draftLoaded } from './planSlice';
import { settingsLoaded } from './slices';
import { whenChanged, type AppStore } from './store';

/** Reads what is chosen for this device, and the ring plan as it is being changed on it. Gives the own choices of earlier versions. */
export async function readDevice(store: AppStore, vault: Vault) {
  const [[settings] = [], [plan] = []] = await Promise.all([
    vault.read(storageKeys.settings, settingsKind).then((found) => found ?? []),
    vault.read(storageKeys.planDraft, planDraftKind).then((found) => found ?? []),
  ]);
  if (settings) store.dispatch(settingsLoaded({ ...settings, formerHabits: [] }));
  if (plan) store.dispatch(draftLoaded(plan));
  return settings?.formerHabits ?? [];
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
    whenChanged(
      store,
      ({ plan }) => plan,
      (plan) => {
        if (isFromOthers) return;
        void vault.write({ [storageKeys.planDraft]: Vault.encode([plan], planDraftKind) });
        others.say({ kind: 'plan', plan });
      },
    ),
    others.hear((said) => {
      if (said.kind === 'settings') takeIn(() => store.dispatch(settingsLoaded(said.settings)));
      if (said.kind === 'plan') takeIn(() => store.dispatch(draftLoaded(said.plan)));
    }),
  ];
  return () => stops.forEach((stop) => stop());
}
