import {
  secondsOf,
  workingHoursOf,
  type CallerMatch,
  type Finish,
  type OfficeIndex,
  type RingPlan,
  type RingRule,
  type RingStage,
  type RingTarget,
} from '@/core/setup';
import { layOutRule } from '@/core/plans/editing';
import { escapeXml } from './xml';
import { anonymousHost, callerHosts, finishUrl, groupHost, noRule, repeatedHost, targetUrl } from './names';
import { timesOf } from '../times';

export interface WrittenCpl {
  text: string;
  /** What the plan says and CPL has no word for, a sentence each. */
  notes: string[];
}

const namespace = 'urn:ietf:params:xml:ns:cpl';

/**
 * A ring plan as a CPL script (RFC 3880). Each rule is a sub-action that goes on to the next where it does not fit, so
 * they stand last first (§8: a sub-action is defined before it is used). A stage is a proxy to all that rings together
 * (§6.1), cut where something begins or ends. Marks in log nodes (§7.2) keep names, stages and waits, which change nothing.
 */
export function writeCpl(plan: RingPlan, office: OfficeIndex): WrittenCpl {
  const notes: string[] = [];
  const writable = plan.rules.filter((rule) => canBeWritten(rule, notes));
  const parts = [element('subaction', { id: noRule }, defaultEnd(plan, office))];
  const ofRules: string[] = [];
  writable.forEach((rule, index) => {
    const next = subRef(index + 1 < writable.length ? idOf(index + 1) : noRule);
    ofRules.unshift(element('subaction', { id: idOf(index) }, ruleNode(rule, next, plan, office, notes)));
  });
  const body = subRef(writable.length > 0 ? idOf(0) : noRule);
  if ((plan.forwards ?? []).length > 0 || plan.doNotDisturb)
    notes.push('Forwards of everything and do not disturb are not written: they are switched, not planned.');
  if (plan.findMe || plan.greetings)
    notes.push('Find me and greetings belong to the mailbox, of which CPL knows nothing.');
  const text = `<?xml version="1.0" encoding="UTF-8"?>\n${element('cpl', { xmlns: namespace }, [...parts, ...ofRules, element('incoming', {}, body)].join(''))}`;
  return { text: indented(text), notes };
}

const idOf = (index: number) => `rule-${index + 1}`;
const subRef = (ref: string) => element('sub', { ref });
const defaultEnd = (plan: RingPlan, office: OfficeIndex) =>
  finishNode({ kind: 'mailbox', personId: plan.personId }, office);

function canBeWritten({ name, when = {}, refusedFinish }: RingRule, notes: string[]): boolean {
  if (refusedFinish)
    notes.push(
      `“${name}”: CPL can’t tell a refusal from another failure, so its own finish for that is left out.`,
    );
  if (when.situationIds && when.situationIds.length > 0) {
    notes.push(`“${name}” asks for a situation, which CPL does not know: the rule is left out.`);
    return false;
  }
  if (when.spans && when.spans.length > 0) {
    notes.push(`“${name}” is for once, and is over by itself: the rule is left out.`);
    return false;
  }
  if (when.inMeeting || when.whileOnCall) {
    notes.push(
      `“${name}” asks for ${when.inMeeting ? 'a meeting' : 'another call'}, which CPL can’t: the rule is left out.`,
    );
    return false;
  }
  return true;
}

function ruleNode(
  rule: RingRule,
  next: string,
  plan: RingPlan,
  office: OfficeIndex,
  notes: string[],
): string {
  let node = `${mark('rule', rule.name, stagesNode(rule, office))}`;
  const { when = {}, lineIds } = rule;
  if (when.hours && when.hours.length > 0) node = timeSwitch(timesOf.windows(when.hours), node, next, office);
  if (when.dates && when.dates.length > 0) node = timeSwitch(timesOf.days(when.dates), node, next, office);
  const ofOneLine = lineIds.length === 1 ? (lineIds[0] ?? null) : null;
  const hasOwn =
    plan.lineHours?.some(({ lineId }) => lineIds.length === 0 || lineIds.includes(lineId)) ?? false;
  if (when.workingHours !== undefined && hasOwn && ofOneLine === null)
    notes.push(`“${rule.name}”: lines with hours of their own are written with the working week.`);
  const week = timesOf.windows(workingHoursOf(plan, ofOneLine));
  if (when.workingHours && week.length === 0) return next;
  if (when.workingHours !== undefined && week.length > 0) {
    const off = timesOf.days(plan.daysOff ?? []);
    const [inside, outside] = when.workingHours ? [node, next] : [next, node];
    node = mark(
      'working',
      when.workingHours ? 'in' : 'out',
      timeSwitch(off, outside, timeSwitch(week, inside, outside, office), office),
    );
  }
  if (when.callers && when.callers.length > 0)
    node = callerSwitch(when.callers, node, next, office, notes, rule.name);
  if (lineIds.length > 0) {
    const cases = lineIds.map((id) => element('address', { is: office.lines.get(id)?.number ?? id }, node));
    node = element(
      'address-switch',
      { field: 'original-destination', subfield: 'tel' },
      [...cases, element('otherwise', {}, next)].join(''),
    );
  }
  return node;
}

function timeSwitch(
  times: readonly Record<string, string>[],
  inside: string,
  outside: string,
  office: OfficeIndex,
): string {
  if (times.length === 0) return outside;
  const cases = times.map((time) => element('time', time, inside));
  return element(
    'time-switch',
    { tzid: office.setup.zone },
    [...cases, element('otherwise', {}, outside)].join(''),
  );
}

/** One switch for each subfield that is asked, the next in the otherwise of the one before. */
function callerSwitch(
  callers: readonly CallerMatch[],
  inside: string,
  outside: string,
  office: OfficeIndex,
  notes: string[],
  name: string,
): string {
  const cases = callers.map((match): { subfield: 'tel' | 'host'; attribute: Record<string, string> } => {
    switch (match.kind) {
      case 'number':
        return { subfield: 'tel', attribute: { is: match.number } };
      case 'prefix':
        return { subfield: 'tel', attribute: { 'subdomain-of': match.prefix } };
      case 'withheld':
        return { subfield: 'host', attribute: { is: anonymousHost } };
      case 'group':
        return { subfield: 'host', attribute: { is: groupHost(match.groupId) } };
      case 'repeated':
        return { subfield: 'host', attribute: { is: repeatedHost(match.times, match.withinMinutes) } };
      default:
        return { subfield: 'host', attribute: { is: callerHosts[match.kind] } };
    }
  });
  if (cases.some(({ subfield, attribute }) => subfield === 'host' && attribute['is'] !== anonymousHost))
    notes.push(`“${name}” asks for kinds of callers, written as hosts that only this office knows.`);
  return (['tel', 'host'] as const).reduceRight((otherwise, subfield) => {
    const own = cases.filter((each) => each.subfield === subfield);
    if (own.length === 0) return otherwise;
    const inner = own.map(({ attribute }) => element('address', attribute, inside));
    return element(
      'address-switch',
      { field: 'origin', subfield },
      [...inner, element('otherwise', {}, otherwise)].join(''),
    );
  }, outside);
}

interface Slice {
  stage: number;
  seconds: number;
  targets: RingTarget[];
}

/** The rule's stages cut wherever something begins or ends; a slice in which nothing rings is a wait. */
function slicesOf(rule: RingRule, office: OfficeIndex): Slice[] {
  return layOutRule(rule, office).stages.flatMap(({ fromSeconds, targets }, index): Slice[] => {
    const stage: RingStage | undefined = rule.stages[index];
    if (!stage) return [];
    const limit = secondsOf(stage.length);
    const named = new Set<string>();
    const inOrder = [...targets].sort((a, b) => a.fromSeconds - b.fromSeconds);
    const spans = inOrder.flatMap(({ target, fromSeconds: from, toSeconds: to }) => {
      const rings = stage.targets[target];
      const span = { from: from - fromSeconds, to: Math.min(to - fromSeconds, limit) };
      // What is named twice rings once, from the earlier second.
      const url = rings ? (targetUrl(rings, office).split(';')[0] ?? '') : '';
      if (named.has(url)) return [];
      named.add(url);
      return rings && span.from < span.to ? [{ rings, ...span }] : [];
    });
    const cuts = [...new Set([0, ...spans.flatMap(({ from, to }) => [from, to])])].sort((a, b) => a - b);
    return cuts.slice(0, -1).map((from, at) => ({
      stage: index,
      seconds: (cuts[at + 1] ?? from) - from,
      targets: spans.filter((span) => span.from <= from && span.to > from).map(({ rings }) => rings),
    }));
  });
}

function stagesNode(rule: RingRule, office: OfficeIndex): string {
  const slices = slicesOf(rule, office);
  return slices.reduceRight(
    (after, { stage, seconds, targets }, index) => {
      const isFirst = slices[index - 1]?.stage !== stage;
      const isLast = index === slices.length - 1;
      const node =
        targets.length === 0
          ? mark('wait', String(seconds), after)
          : proxyNode(targets, seconds, after, isLast ? rule : null, office);
      return isFirst ? mark('stage', String(stage + 1), node) : node;
    },
    finishNode(rule.finish, office),
  );
}

function proxyNode(
  targets: readonly RingTarget[],
  seconds: number,
  after: string,
  last: RingRule | null,
  office: OfficeIndex,
): string {
  const outputs = [
    ...(last?.busyFinish ? [element('busy', {}, finishNode(last.busyFinish, office))] : []),
    ...(last?.unreachableFinish ? [element('failure', {}, finishNode(last.unreachableFinish, office))] : []),
    element('default', {}, after),
  ];
  const proxy = element('proxy', { timeout: String(seconds), ordering: 'parallel' }, outputs.join(''));
  return targets.reduceRight(
    (inside, target, index) =>
      element('location', { url: targetUrl(target, office), ...(index === 0 && { clear: 'yes' }) }, inside),
    proxy,
  );
}

function finishNode(finish: Finish, office: OfficeIndex): string {
  if (finish.kind === 'busy') return element('reject', { status: 'busy' });
  return element('location', { url: finishUrl(finish, office), clear: 'yes' }, element('redirect', {}));
}

const mark = (name: 'rule' | 'stage' | 'wait' | 'working', comment: string, inside: string) =>
  element('log', { name: `cendro-${name}`, comment }, inside);

function element(name: string, attributes: Record<string, string>, inside = ''): string {
  const written = Object.entries(attributes)
    .map(([key, value]) => ` ${key}="${escapeXml(value)}"`)
    .join('');
  return inside === '' ? `<${name}${written}/>` : `<${name}${written}>${inside}</${name}>`;
}

/** A line for each tag, so that a reason can name it. */
function indented(xml: string): string {
  let depth = 0;
  return xml
    .replace(/>\s*</g, '>\n<')
    .split('\n')
    .map((line) => {
      if (line.startsWith('</')) depth--;
      const text = `${'  '.repeat(Math.max(depth, 0))}${line}`;
      if (/^<[a-z]/.test(line) && !line.endsWith('/>') && !line.includes('</')) depth++;
      return text;
    })
    .join('\n');
}
