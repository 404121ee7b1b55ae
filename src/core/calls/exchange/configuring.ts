import { OfficeIndex } from '@/core/setup';
import { planProblems } from '@/core/setup/problems';
import { refuse, type CommandOf, type Outcome } from './commands';
import type { Switchboard } from './Switchboard';

/**
 * Puts other ring plans, and what people say of themselves, into force. All or nothing: a plan that names what the office does not have is
 * refused with the places where it does.
 */
export function configure(board: Switchboard, { ringPlans, people }: CommandOf<'configure'>): Outcome {
  const { setup } = board.office;
  const known = new Set(setup.people.map(({ id }) => id));
  if (people.some(({ id }) => !known.has(id))) return refuse({ code: 'unknownPerson' });
  const problems = ringPlans.flatMap((plan) => planProblems(plan, board.office));
  if (problems.length > 0) return refuse({ code: 'badPlan', problems });
  board.office = new OfficeIndex({
    ...setup,
    people: setup.people.map((person) => people.find(({ id }) => id === person.id) ?? person),
    ringPlans: [
      ...setup.ringPlans.filter(({ personId }) => !ringPlans.some((plan) => plan.personId === personId)),
      ...ringPlans,
    ],
  });
  board.touchAll();
  board.emit({ type: 'configured', at: board.now });
  return { ok: true };
}
