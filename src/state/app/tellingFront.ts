import type { OtherTabs } from '../tabs';
import { showNotice } from './attention';
import { actDone } from './slices';
import type { AppStore } from './store';

/** Shows what another tab has to say, where this one is in front. Gives what ends it. */
export const startTellingFront = (store: AppStore, others: OtherTabs): (() => void) =>
  others.hear((said) => {
    if (!store.getState().office.isInFront) return;
    if (said.kind === 'sentence') store.dispatch(actDone(said.sentence));
    if (said.kind === 'notice') showNotice(store.getState(), said.notice);
  });
