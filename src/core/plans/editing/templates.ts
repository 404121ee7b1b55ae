import { insertFirst } from './beginning';
import { freeRuleId, type OfficeIndex, type RingPlan, type RingRule, type RingTarget } from '@/core/setup';

/** A way to begin: what it does in words, where its rule stands, and the plan it makes of the present one. */
export interface PlanTemplate {
  id: 'everything' | 'deskThenMobile' | 'mobileOnly' | 'lookForMe' | 'afterHours' | 'urgentLine';
  word: string;
  sentence: string;
  /** The rule it adds, to be drawn before it is chosen. */
  rule: RingRule;
  /** Where the rule will stand, and what becomes of the others. */
  place: string;
  apply: (plan: RingPlan) => RingPlan;
}

/**
 * What a worker with these devices may begin with. Each adds a rule where it decides: before all others, but after those
 * that stand first for urgent lines alone, unless it is for such a line itself. Nothing is removed. Offered only where
 * its devices are there.
 */
export function templatesFor(office: OfficeIndex, personId: string, plan: RingPlan): PlanTemplate[] {
  const devices = office.phonesOf(personId);
  const find = (kind: string) => devices.find((device) => device.kind === kind);
  const [app, desk, mobile] = [find('app'), find('desk'), find('mobile')];
  const urgent = office.setup.lines.find((line) => line.urgent && line.ownerId === personId);
  const mate = office.setup.teams
    .find(({ memberIds }) => memberIds.includes(personId))
    ?.memberIds.find((id) => id !== personId);
  const ring = (device: { id: string; kind: string } | undefined, startSeconds = 0): RingTarget[] =>
    device
      ? [{ deviceId: device.id, startSeconds, ...(device.kind === 'mobile' && { acceptKey: true }) }]
      : [];
  const finish = { kind: 'mailbox' as const, personId };
  const stage = (seconds: number, ...targets: RingTarget[]) => ({ targets, length: { seconds } });
  const all = [...ring(app), ...ring(desk), ...ring(mobile)];
  const templates: (Omit<PlanTemplate, 'apply' | 'rule' | 'place'> & { rule: Omit<RingRule, 'id'> })[] = [];
  const rule = (name: string, stages: RingRule['stages'], more: Partial<RingRule> = {}) => ({
    name,
    lineIds: [],
    stages: stages.filter(({ targets }) => targets.length > 0),
    finish,
    ...more,
  });
  templates.push({
    id: 'everything',
    word: 'Everything rings',
    sentence: 'All your phones at once, then your mailbox.',
    rule: rule('Everything rings', [stage(25, ...all)]),
  });
  if (desk && mobile) {
    templates.push({
      id: 'deskThenMobile',
      word: 'Desk, then mobile',
      sentence: `Your desk phone first, then your ${mobile.name}, where a key takes the call.`,
      rule: rule('Desk, then mobile', [stage(15, ...ring(desk)), stage(20, ...ring(mobile))]),
    });
  }
  if (mobile) {
    templates.push({
      id: 'mobileOnly',
      word: 'Mobile only',
      sentence: `Only your ${mobile.name}, where a key takes the call.`,
      rule: rule('Mobile only', [stage(25, ...ring(mobile))]),
    });
    templates.push({
      id: 'lookForMe',
      word: 'Look for me',
      sentence:
        'The mailbox answers; a caller who presses 1 is put through to your phones, one after the other.',
      rule: rule('Look for me', []),
    });
  }
  templates.push({
    id: 'afterHours',
    word: 'After hours',
    sentence: 'Outside your working hours nothing rings, and your mailbox says so.',
    rule: rule('After hours', [], { when: { workingHours: false } }),
  });
  if (urgent) {
    templates.push({
      id: 'urgentLine',
      word: 'Urgent line',
      sentence: `${urgent.name} rings everything of yours at any hour, then somebody of your team.`,
      rule: rule(
        urgent.name,
        [stage(30, ...all), stage(20, ...(mate ? [{ personId: mate, startSeconds: 0 }] : []))],
        { lineIds: [urgent.id] },
      ),
    });
  }
  const tries = [desk, mobile].flatMap((device) => (device ? [{ deviceId: device.id }] : []));
  return templates.map((template) => {
    const whole: RingRule = { id: freeRuleId(plan), ...template.rule };
    const isForEveryCall = whole.lineIds.length === 0 && !whole.when;
    const withRule = (old: RingPlan) =>
      template.id === 'urgentLine'
        ? { ...old, rules: [whole, ...old.rules] }
        : insertFirst(old, whole, office);
    return {
      ...template,
      rule: whole,
      place: placeWords(withRule(plan), whole, isForEveryCall),
      apply: (old) => ({
        ...withRule(old),
        ...(template.id === 'lookForMe' && { findMe: tries }),
        ...(template.id === 'afterHours' &&
          !old.workingHours && {
            workingHours: [{ days: [1, 2, 3, 4, 5], from: '08:00', to: '17:00' }],
          }),
      }),
    };
  });
}

/** "It becomes rule 2, after “Flood desk, any time”. The rules below it get no calls any more; none is removed." */
function placeWords({ rules }: RingPlan, rule: RingRule, isForEveryCall: boolean): string {
  const at = rules.indexOf(rule);
  const before = rules[at - 1];
  const place = before ? `It becomes rule ${at + 1}, after “${before.name}”.` : 'It becomes the first rule.';
  const isAlone = at === rules.length - 1;
  if (isAlone) return place;
  return isForEveryCall ? `${place} The rules below it get no calls any more; none is removed.` : place;
}
