import { emptyOffice } from '@/core/setup';

import { selectMyId } from './session';
import { joined } from './slices';
import { createAppStore } from './store';

it('whoever uses the app is never a silent nobody', () => {
  const { store } = createAppStore();
  expect(() => selectMyId(store.getState())).toThrow('Nobody is signed in yet.');
  const me = { personId: 'p1', deviceId: 'p1-app' };
  store.dispatch(joined({ setup: emptyOffice, contacts: [], outsiders: [], me }));
  expect(selectMyId(store.getState())).toBe('p1');
});
