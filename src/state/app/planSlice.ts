import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

import type { RingPlan } from '@/core/setup';

import type { PlanDraft } from '../storage';

const stepsKept = 100;

/**
 * The worker's ring plan as it is being changed. It is kept as it is typed; what is in force is the office's. `draft`
 * of null: nothing has been changed since.
 */
const planSlice = createSlice({
  name: 'plan',
  initialState: { draft: null, past: [], future: [] } as PlanDraft,
  reducers: {
    draftLoaded: (_, { payload }: PayloadAction<PlanDraft>) => payload,
    /** `inForce` is what the first change leads away from. */
    draftChanged(state, { payload }: PayloadAction<{ inForce: RingPlan; plan: RingPlan }>) {
      state.past = [...state.past, state.draft ?? payload.inForce].slice(-stepsKept);
      state.future = [];
      state.draft = payload.plan;
    },
    draftUndone(state) {
      const before = state.past.pop();
      if (!before || !state.draft) return;
      state.future.push(state.draft);
      state.draft = before;
    },
    draftRedone(state) {
      const after = state.future.pop();
      if (!after || !state.draft) return;
      state.past.push(state.draft);
      state.draft = after;
    },
    /** What is switched at once, such as a forward, holds for every step that can be gone back to. */
    draftRebased(state, { payload }: PayloadAction<Pick<RingPlan, 'forwards' | 'doNotDisturb'>>) {
      const rebased = (plan: RingPlan) => ({ ...plan, ...payload });
      state.draft &&= rebased(state.draft);
      state.past = state.past.map(rebased);
      state.future = state.future.map(rebased);
    },
  },
});

export const planReducer = planSlice.reducer;
export const { draftLoaded, draftChanged, draftUndone, draftRedone, draftRebased } = planSlice.actions;
