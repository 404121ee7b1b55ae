import { edits } from '@/core/plans/editing';

import { openApp, start } from './openApp';
import {
  dropPlanChanges,
  editPlan,
  putPlanIntoForce,
  selectIsPlanChanged,
  selectMyPlan,
  selectMyStanding,
  selectPlanInForce,
  setDoNotDisturb,
  setForwardAll,
  setSituation,
} from '../planning';
import type { Vault } from '../../storage';
import { draftRedone, draftTakenOver, draftUndone } from '../planDraft';
import { selectPresence } from '../selectors';

const withoutDesk = editPlan((plan) =>
  edits.removeTarget(plan, { ruleId: 'maren-field', stage: 0, target: 1 }),
);
const ringing = (app: ReturnType<typeof openApp>) =>
  Object.values(app.store.getState().calls.byId)[0]?.ringing?.trace.legs.map(({ deviceId }) => deviceId);

describe('my ring plan', () => {
  it('is changed as a draft, while calls go by the one in force', async () => {
    const app = openApp();
    app.store.dispatch(withoutDesk);
    expect(selectIsPlanChanged(app.store.getState())).toBe(true);
    await app.callIn();
    expect(ringing(app)).toContain('maren-desk');
  });

  it('takes force as a whole, and can be gone back from', async () => {
    const app = openApp();
    app.store.dispatch(withoutDesk);
    await app.store.dispatch(putPlanIntoForce());
    expect(selectIsPlanChanged(app.store.getState())).toBe(false);
    await app.callIn();
    expect(ringing(app)).not.toContain('maren-desk');
    app.store.dispatch(draftUndone());
    expect(selectIsPlanChanged(app.store.getState())).toBe(true);
    app.store.dispatch(draftRedone());
    expect(selectIsPlanChanged(app.store.getState())).toBe(false);
  });

  it('goes back and forth step by step, and a new step ends the way forth', () => {
    const app = openApp();
    const plan = () => selectMyPlan(app.store.getState());
    const first = plan();
    app.store.dispatch(withoutDesk);
    const second = plan();
    app.store.dispatch(editPlan((old) => edits.removeRule(old, 'maren-off')));
    app.store.dispatch(draftUndone());
    expect(plan()).toEqual(second);
    app.store.dispatch(draftUndone());
    expect(plan()).toEqual(first);
    app.store.dispatch(draftRedone());
    expect(plan()).toEqual(second);
    app.store.dispatch(dropPlanChanges());
    expect(plan()).toEqual(selectPlanInForce(app.store.getState()));
    app.store.dispatch(draftRedone());
    expect(plan()).toEqual(selectPlanInForce(app.store.getState()));
  });

  it('that an earlier version kept on this device goes on as the worker’s own, once, and is given up there then', async () => {
    const app = openApp();
    const { store } = app;
    const first = selectMyPlan(store.getState());
    const later = edits.removeRule(first, 'maren-off');
    const former = { draft: later, past: [first], future: [] };
    const removed: string[] = [];
    const vault = { remove: async (keys: string[]) => void removed.push(...keys) } as unknown as Vault;
    store.dispatch(draftTakenOver(former, vault));
    expect(selectMyPlan(store.getState())).toEqual(later);
    expect(removed).toEqual([]);
    store.dispatch(draftUndone());
    // The next start.
    store.dispatch(draftTakenOver(former, vault));
    expect(selectMyPlan(store.getState())).toEqual(first);
    expect(removed).toEqual(['planDraft']);
  });

  it('that can’t be carried out stays a draft, and says why', async () => {
    const app = openApp();
    app.store.dispatch(
      editPlan((plan) => edits.setFinish(plan, 'maren-field', 'finish', { kind: 'forward', to: '299' })),
    );
    expect(await app.store.dispatch(putPlanIntoForce())).toBe(false);
    expect(app.store.getState().notices.refusal).toBe(
      'The plan stays as it was: Nobody has the extension 299.',
    );
    expect(selectIsPlanChanged(app.store.getState())).toBe(true);
  });
});

describe('what is switched at once', () => {
  it('holds for the draft and each of its steps too', async () => {
    const app = openApp();
    app.store.dispatch(withoutDesk);
    const forward = { to: { kind: 'forward' as const, to: '201' }, from: start, until: null };
    await app.store.dispatch(setForwardAll(forward, 'Forwarded.'));
    expect(selectMyStanding(app.store.getState(), start).forward).toEqual(forward);
    app.store.dispatch(draftUndone());
    expect(selectMyPlan(app.store.getState()).forwards).toEqual([forward]);
    await app.store.dispatch(setForwardAll(null, 'Taken off.'));
    expect(selectMyStanding(app.store.getState(), start).forward).toBeNull();
  });

  it('is seen by all: a situation with its word, do not disturb, and a call before either', async () => {
    const app = openApp();
    const presence = () => selectPresence(app.store.getState(), start)['maren'];
    await app.store.dispatch(
      setSituation({ id: 'off', word: 'back on Monday', until: start + 1000 }, 'Off.'),
    );
    expect(presence()).toEqual({ state: 'off', word: 'Off duty, back on Monday', until: start + 1000 });
    // What it was chosen over comes back.
    expect(selectPresence(app.store.getState(), start + 1000)['maren']).toMatchObject({
      state: 'away',
      word: 'On site, Cawder Weir',
    });
    const doNotDisturb = { mode: 'quiet' as const, until: start + 5000, passes: [], passLineIds: [] };
    await app.store.dispatch(setDoNotDisturb(doNotDisturb, 'Quiet.'));
    expect(presence()?.state).toBe('doNotDisturb');
    await app.callOut('201');
    expect(presence()?.state).toBe('onCall');
  });
});
