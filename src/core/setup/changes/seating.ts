import { editOf, inTurn, type Edit } from '../edits';
import type { RingPlan, RingStage } from '../ringPlan';
import type { OfficeSetup } from '../setup';
import { freePhoneId, phoneKinds } from './place';

/**
 * What lets somebody of the office use an app: one of their own, which rings wherever another phone of theirs does, as soon as that. Nothing
 * where they have one.
 */
export function seating(setup: OfficeSetup, personId: string): Edit[] {
  const own = setup.devices.filter((device) => device.personId === personId);
  const app = phoneKinds.find(({ kind }) => kind === 'app');
  const plan = setup.ringPlans.find((each) => each.personId === personId);
  if (!app || !setup.people.some(({ id }) => id === personId) || own.some(({ kind }) => kind === 'app'))
    return [];
  const device = { ...app, id: freePhoneId(setup, `${personId}-app`), personId };
  const phones = new Set(own.map(({ id }) => id));
  return inTurn(
    setup,
    (now) => [editOf(now, 'devices', device.id, device)],
    (now) => (plan ? [editOf(now, 'ringPlans', personId, { ...ringing(plan, phones, device.id) })] : []),
  );
}

const ringing = (plan: RingPlan, phones: ReadonlySet<string>, deviceId: string): RingPlan => ({
  ...plan,
  rules: plan.rules.map((rule) => ({
    ...rule,
    stages: rule.stages.map((stage) => withDevice(stage, phones, deviceId)),
  })),
});

function withDevice(stage: RingStage, phones: ReadonlySet<string>, deviceId: string): RingStage {
  const starts = stage.targets.flatMap((target) =>
    'deviceId' in target && phones.has(target.deviceId) ? [target.startSeconds] : [],
  );
  if (starts.length === 0) return stage;
  return { ...stage, targets: [...stage.targets, { deviceId, startSeconds: Math.min(...starts) }] };
}
