import fc from 'fast-check';

import type { RingPlan } from '@/core/setup';
import {
  draftOf,
  rebased,
  stepOn,
  stepsKept,
  stepsOf,
  stepTo,
  type PlanStep,
  type StepsChange,
} from './planSteps';

const plan = (name: string): RingPlan => ({
  personId: 'ada',
  rules: [],
  greetings: [{ id: 'g', name, text: name }],
});
const nameOf = ({ greetings }: RingPlan) => greetings?.[0]?.name;
const inForce = plan('in force');

/** The rows as an app keeps them. */
function rows() {
  const kept = new Map<string, PlanStep>();
  const steps = () => [...kept.values()];
  return {
    steps,
    does: (change: (steps: readonly PlanStep[]) => StepsChange) => {
      const { put, goneIds } = change(steps());
      for (const step of put) kept.set(step.id, step);
      for (const id of goneIds) kept.delete(id);
    },
    names: () => {
      const { draft, past, future } = draftOf(steps());
      return [past.map(nameOf), draft && nameOf(draft), future.map(nameOf)];
    },
  };
}

it('there is no draft before anything is changed, and none to go back or forward to', () => {
  const { does, names } = rows();
  expect(names()).toEqual([[], null, []]);
  does((steps) => stepTo(steps, 'back'));
  does((steps) => stepTo(steps, 'forward'));
  expect(names()).toEqual([[], null, []]);
});

it('steps go back to what is in force and forward again, and a new one ends the way forward, as a list would', () => {
  const acts = fc.array(fc.constantFrom('on', 'back', 'forward'), { maxLength: 60 });
  fc.assert(
    fc.property(acts, (asked) => {
      const { does, names } = rows();
      let list = ['in force'];
      let at = 0;
      asked.forEach((act, index) => {
        if (act === 'on') {
          does((steps) => stepOn(steps, inForce, plan(`step ${index}`)));
          list = [...list.slice(0, at + 1), `step ${index}`];
          at++;
        } else {
          does((steps) => stepTo(steps, act === 'back' ? 'back' : 'forward'));
          at = act === 'back' ? Math.max(0, at - 1) : Math.min(list.length - 1, at + 1);
        }
        const isBegun = list.length > 1;
        expect(names()).toEqual(isBegun ? [list.slice(0, at), list[at], list.slice(at + 1)] : [[], null, []]);
      });
    }),
  );
});

it('keeps so many steps back, and each change writes only two', () => {
  const { does, steps, names } = rows();
  for (let number = 1; number <= stepsKept + 50; number++)
    does((all) => {
      const change = stepOn(all, inForce, plan(String(number)));
      expect(change.put).toHaveLength(2);
      return change;
    });
  expect(steps()).toHaveLength(stepsKept + 1);
  expect(names()[1]).toBe('150');
  expect(names()[0]?.[0]).toBe('50');
});

it('what is switched at once holds for every step', () => {
  const { does, steps } = rows();
  does((all) => stepOn(all, inForce, plan('a')));
  does((all) => stepOn(all, inForce, plan('b')));
  does((all) => stepTo(all, 'back'));
  const forwards = [{ to: { kind: 'busy' as const }, from: null, until: null }];
  does((all) => rebased(all, { forwards }));
  const { draft, past, future } = draftOf(steps());
  expect([...past, draft, ...future].map((each) => each?.forwards)).toEqual([forwards, forwards, forwards]);
});

it('a draft that was kept as one is the same as steps; of two that are the last one, made on two devices, one is', () => {
  const former = { draft: plan('b'), past: [inForce, plan('a')], future: [plan('c')] };
  expect(draftOf(stepsOf(former))).toEqual(former);
  expect(stepsOf({ draft: null, past: [], future: [] })).toEqual([]);
  const both = stepsOf(former).map((step) => ({ ...step, isNow: step.order > 1 }));
  expect(nameOf(draftOf(both).draft ?? inForce)).toBe('c');
});
