import type { Finish, OfficeIndex, RingPlan, RingRule, RingTarget } from '@/core/setup';
import { localDayKey } from '@/core/shared/time';
import { callerOfAddress } from './callerOfAddress';
import { joinSlices } from './joinSlices';
import { byPriority, isOrdering, slicesOfProxy, without, type Location } from './locations';
import { mergeRules } from './mergeRules';
import { finishAt, isMailboxUrl, noRule, readUrl } from './names';
import { lastStage, start, Stop, unanswered, withStage, type CplNote, type Path, type ReadCpl } from './path';
import { leadsTo, maySkip, workingSwitch } from './switches';
import { readTime } from '../times';
import { readXml, type XmlElement } from './xml';

const mostRules = 200;
/** What a proxy rings where the script leaves it to the server (RFC 3880 §6.1). */
const defaultTimeout = 20;
/** As long as a stage of a plan may be. */
const longestSeconds = 600;

/**
 * Reads the incoming part of a CPL script (RFC 3880) as rules of a plan. A switch becomes rules in the order of its
 * cases, since the first that fits decides; whatever a plan can't hold is named with its line, and the rest is kept.
 * `now` (epoch milliseconds) is from when recurrences count that are held as days.
 */
export function readCpl(text: string, plan: RingPlan, office: OfficeIndex, now: number): ReadCpl {
  const xml = readXml(text);
  if (!xml.ok) return xml;
  const { root } = xml;
  if (root.name !== 'cpl')
    return { ok: false, line: root.line, reason: `This is not a CPL script: it begins with <${root.name}>.` };
  try {
    return new Reader(root, plan, office, localDayKey(now, office.setup.zone)).read();
  } catch (error) {
    if (error instanceof Stop) return { ok: false, line: error.line, reason: error.message };
    throw error;
  }
}

class Reader {
  private readonly rules: RingRule[] = [];
  private readonly notes: CplNote[] = [];
  /** It was said that there is one way only to reject. */
  private wasRejected = false;
  private readonly subactions = new Map<string, XmlElement>();

  constructor(
    private readonly root: XmlElement,
    private readonly plan: RingPlan,
    private readonly office: OfficeIndex,
    private readonly today: string,
  ) {}

  read(): ReadCpl {
    let incoming: XmlElement | undefined;
    for (const child of this.root.children) {
      if (child.name === 'subaction') this.define(child);
      else if (child.name === 'incoming') incoming = child;
      else if (child.name === 'outgoing')
        this.note(child, 'Outgoing calls are not decided by a ring plan: the part is left out.');
      else if (child.name !== 'ancillary') this.note(child, `<${child.name}> is not known and left out.`);
    }
    if (!incoming) throw new Stop(this.root.line, 'The script has nothing for incoming calls.');
    this.node(incoming.children[0], incoming, start);
    const rules = mergeRules(this.rules);
    return { ok: true, rules: rules.filter((rule) => !this.isNoRule(rule, rules)), notes: this.notes };
  }

  /** A last rule for every call that does what happens without one. */
  private isNoRule({ name, lineIds, when, stages, finish }: RingRule, rules: readonly RingRule[]): boolean {
    return (
      rules.at(-1)?.name === name &&
      name === noRule &&
      lineIds.length === 0 &&
      when === undefined &&
      stages.length === 0 &&
      finish.kind === 'mailbox' &&
      finish.personId === this.plan.personId
    );
  }

  /** Sub-actions may only use those before them, so that none can go round (RFC 3880 §8). */
  private define(element: XmlElement): void {
    const { id } = element.attributes;
    if (!id) throw new Stop(element.line, 'A sub-action has no id.');
    if (this.subactions.has(id)) throw new Stop(element.line, `There are two sub-actions “${id}”.`);
    this.checkRefs(element);
    this.subactions.set(id, element);
  }

  private checkRefs(element: XmlElement): void {
    for (const child of element.children) {
      if (child.name === 'sub' && !this.subactions.has(child.attributes['ref'] ?? ''))
        throw new Stop(
          child.line,
          `The sub-action “${child.attributes['ref'] ?? ''}” is not defined before it is used.`,
        );
      this.checkRefs(child);
    }
  }

  private note({ line }: XmlElement, reason: string): void {
    this.notes.push({ line, reason });
  }

  /** Nothing more is said: the call goes as it would without a script, to the worker's own phones (RFC 3880 §3). */
  private node(element: XmlElement | undefined, parent: XmlElement, path: Path): void {
    if (path.depth > 200) throw new Stop(parent.line, 'It is nested too deep.');
    const at = { ...path, depth: path.depth + 1 };
    if (!element) return this.byDefault(parent, at);
    switch (element.name) {
      case 'address-switch':
        return this.cases(element, at, (each) => this.addressCase(element, each, at));
      case 'time-switch':
        return this.timeSwitch(element, at);
      case 'string-switch':
      case 'language-switch':
      case 'priority-switch':
        return this.otherwiseOnly(element, at);
      case 'location':
        return this.location(element, at);
      case 'remove-location':
        return this.node(element.children[0], element, {
          ...at,
          locations: without(at.locations, element.attributes['location']),
        });
      case 'lookup':
        return this.lookup(element, at);
      case 'proxy':
        return this.proxy(element, at);
      case 'redirect':
        return this.end(element, at, this.redirected(element, at));
      case 'reject':
        return this.end(element, at, this.rejected(element));
      case 'sub':
        return this.sub(element, at);
      case 'log':
        return this.log(element, at);
      case 'mail':
        this.note(element, 'A plan sends no mail: this is left out.');
        return this.node(element.children[0], element, at);
      default:
        throw new Stop(element.line, `<${element.name}> is not part of CPL.`);
    }
  }

  /** The cases of a switch in their order, then what holds otherwise; a case that can't be held is named and left out. */
  private cases(element: XmlElement, path: Path, narrowed: (each: XmlElement) => Path[]): void {
    const otherwise = element.children.find(({ name }) => name === 'otherwise');
    const rest = otherwise?.children[0];
    const next = leadsTo(element);
    const all = element.children.filter(({ name }) => name !== 'otherwise');
    for (const [index, each] of all.entries()) {
      if (each.name === 'not-present') {
        this.note(each, 'A missing address can’t be asked for: this case is left out.');
        continue;
      }
      const pending = maySkip(next, path.pending, all.slice(index)) ? next : null;
      for (const way of narrowed(each)) this.node(each.children[0], each, { ...way, pending });
    }
    if (rest?.name === 'sub' && next === path.pending) return;
    this.node(rest, otherwise ?? element, path);
  }

  private otherwiseOnly(element: XmlElement, path: Path): void {
    this.note(element, `<${element.name}> can’t be asked by a plan: only what holds otherwise is kept.`);
    const otherwise = element.children.find(({ name }) => name === 'otherwise');
    this.node(otherwise?.children[0], otherwise ?? element, path);
  }

  private addressCase(element: XmlElement, each: XmlElement, path: Path): Path[] {
    const { field, subfield } = element.attributes;
    const [[how, value] = ['', '']] = Object.entries(each.attributes);
    if (each.name !== 'address')
      throw new Stop(each.line, `<${each.name}> can’t stand in an address-switch.`);
    if (how === 'contains') {
      this.note(each, 'Parts of a displayed name can’t be asked for: this case is left out.');
      return [];
    }
    if (field === 'origin') {
      const match = callerOfAddress(subfield, how, value, this.office);
      if (match && path.when.callers) return this.twice(each, 'Callers within other callers');
      if (match) return [{ ...path, when: { ...path.when, callers: [match] } }];
    } else {
      const line = this.office.setup.lines.find(({ number }) => number === value.replace(/^tel:/, ''));
      if (line && line.ownerId === this.plan.personId)
        return path.lineIds === null || path.lineIds.includes(line.id)
          ? [{ ...path, lineIds: [line.id] }]
          : [];
      const isMe = this.office.people.get(this.plan.personId)?.extension === value;
      if (isMe) return [path];
    }
    this.note(
      each,
      `“${value}” is no ${field === 'origin' ? 'caller' : 'line of yours'} that can be asked for: this case is left out.`,
    );
    return [];
  }

  private timeSwitch(element: XmlElement, path: Path): void {
    const { tzid } = element.attributes;
    if (tzid !== undefined && tzid !== this.office.setup.zone)
      this.note(element, `The office keeps ${this.office.setup.zone}: times of ${tzid} are read as such.`);
    this.cases(element, path, (each) => {
      if (each.name !== 'time') throw new Stop(each.line, `<${each.name}> can’t stand in a time-switch.`);
      const read = readTime(each.attributes, this.today);
      if (!read.ok) {
        this.note(each, `${read.reason} This case is left out.`);
        return [];
      }
      if (read.note) this.note(each, read.note);
      return read.times.flatMap(({ hours, dates }) => {
        if ((hours && path.when.hours) || (dates && path.when.dates))
          return this.twice(each, 'Hours within other hours');
        return [{ ...path, when: { ...path.when, ...(hours && { hours }), ...(dates && { dates }) } }];
      });
    });
  }

  private twice(each: XmlElement, what: string): Path[] {
    this.note(each, `${what} can’t be held: this case is left out.`);
    return [];
  }

  private location(element: XmlElement, path: Path): void {
    const { url, clear, priority } = element.attributes;
    if (!url) throw new Stop(element.line, 'A location has no url.');
    const wanted = Number(priority ?? 1);
    const isPriority = wanted >= 0 && wanted <= 1;
    if (!isPriority)
      this.note(element, `“${priority ?? ''}” is no priority from 0.0 to 1.0: it is taken as 1.0.`);
    const before = clear === 'yes' ? [] : path.locations;
    const location = { url, priority: isPriority ? wanted : 1 };
    this.node(element.children[0], element, { ...path, locations: [...before, location] });
  }

  /** Asks the registrar: my own phones. Anything else is not asked. */
  private lookup(element: XmlElement, path: Path): void {
    if (element.attributes['source'] !== 'registration')
      this.note(
        element,
        'Only one’s own registered phones can be looked up: this source is taken as failed.',
      );
    const output = element.attributes['source'] === 'registration' ? 'success' : 'failure';
    const found = element.children.find(({ name }) => name === output);
    const own = this.office
      .phonesOf(this.plan.personId)
      .map(({ id }) => ({ url: `sip:${id}@devices.office.invalid`, priority: 1 }));
    const locations =
      output === 'success'
        ? [...(element.attributes['clear'] === 'yes' ? [] : path.locations), ...own]
        : path.locations;
    this.node(found?.children[0], found ?? element, { ...path, locations });
  }

  private proxy(element: XmlElement, path: Path): void {
    const { timeout, ordering = 'parallel' } = element.attributes;
    const asked = timeout === undefined ? defaultTimeout : Number(timeout);
    if (!Number.isInteger(asked) || asked < 1)
      throw new Stop(
        element.line,
        `“${timeout ?? ''}” is no time to ring: it has to be at least one second.`,
      );
    const seconds = Math.min(asked, longestSeconds);
    if (asked > seconds) this.note(element, `Nobody waits ${asked} s: it is held as ${longestSeconds} s.`);
    if (!isOrdering(ordering)) throw new Stop(element.line, `There is no ordering “${ordering}”.`);
    const inOrder = byPriority(path.locations);
    // A mailbox answers at once: nothing rings beside it, nor after it.
    const mailboxAt = inOrder.findIndex(({ url }) => isMailboxUrl(url, this.office));
    const before = ordering === 'sequential' ? inOrder.slice(0, Math.max(mailboxAt, 0)) : [];
    const mailbox = inOrder[mailboxAt];
    if (mailbox && before.length === 0) {
      if (inOrder.length > 1)
        this.note(element, `“${mailbox.url}” is a mailbox, which answers at once: nothing rings beside it.`);
      return this.end(element, path, this.redirected(element, { ...path, locations: [mailbox] }));
    }
    if (mailbox && inOrder.length > before.length + 1)
      this.note(element, `After the mailbox “${mailbox.url}” nothing is tried any more.`);
    const targets = (mailbox ? before : inOrder).flatMap(({ url }): RingTarget[] => {
      const found = readUrl(url, this.office);
      if (found?.kind === 'target') return [found.target];
      this.note(element, `“${url}” is nothing that can ring here: it is left out.`);
      return [];
    });
    const slices = slicesOfProxy(ordering, seconds, targets);
    if (mailbox) {
      const after = { ...path, slices: [...path.slices, ...withStage(slices, path)] };
      return this.end(element, after, this.redirected(element, { ...path, locations: [mailbox] }));
    }
    const output = (...names: string[]) => element.children.find(({ name }) => names.includes(name));
    const busy = this.finishOf(output('busy'), path);
    const failure = this.finishOf(output('failure'), path);
    if (output('redirection'))
      this.note(element, 'What a phone redirects to is not asked: that output is left out.');
    const after = output('noanswer', 'default');
    this.node(after?.children[0] ?? unanswered(element), after ?? element, {
      ...path,
      locations: [],
      slices: [...path.slices, ...withStage(slices, path)],
      busyFinish: busy ?? path.busyFinish,
      unreachableFinish: failure ?? path.unreachableFinish,
    });
  }

  /** What an output ends in at once; one that rings on can't be held beside the others. */
  private finishOf(output: XmlElement | undefined, path: Path): Finish | undefined {
    if (!output) return undefined;
    let locations: Location[] = [];
    let at = output.children[0];
    // A sub-action is defined before it is used, so that this comes to an end.
    while (at?.name === 'location' || at?.name === 'log' || at?.name === 'sub') {
      if (at.name === 'location')
        locations = [
          ...locations,
          { url: at.attributes['url'] ?? '', priority: Number(at.attributes['priority'] ?? 1) },
        ];
      at = at.name === 'sub' ? this.subactions.get(at.attributes['ref'] ?? '')?.children[0] : at.children[0];
    }
    const isMailbox = locations.length > 0 && locations.every(({ url }) => isMailboxUrl(url, this.office));
    if (at?.name === 'redirect' || (at?.name === 'proxy' && isMailbox))
      return this.redirected(at, { ...path, locations });
    if (at?.name === 'reject') return this.rejected(at);
    this.note(
      output,
      `What rings on after <${output.name}> can’t be held: it goes on as if nobody answered.`,
    );
    return undefined;
  }

  private redirected(element: XmlElement, { locations }: Path): Finish {
    const url = byPriority(locations)[0]?.url ?? '';
    if (locations.length > 1) this.note(element, 'Only the first of several addresses is gone on to.');
    const finish = finishAt(url, this.office);
    if (finish) return finish;
    this.note(
      element,
      url === ''
        ? 'It names no address: the call ends in your mailbox instead.'
        : `The office knows nobody at “${url}”: the call ends in your mailbox instead.`,
    );
    return { kind: 'mailbox', personId: this.plan.personId };
  }

  private rejected(element: XmlElement): Finish {
    const { status } = element.attributes;
    if (status !== 'busy' && !this.wasRejected) {
      this.wasRejected = true;
      this.note(element, `The office can only reject with busy tone, not with “${status ?? ''}”.`);
    }
    return { kind: 'busy' };
  }

  private sub(element: XmlElement, path: Path): void {
    const { ref = '' } = element.attributes;
    const found = this.subactions.get(ref);
    if (!found) throw new Stop(element.line, `The sub-action “${ref}” is not defined before it is used.`);
    if (ref === path.pending) return;
    this.node(found.children[0], found, ref === noRule ? { ...path, name: noRule } : path);
  }

  /** Our own marks say a rule's name, where a stage begins, and waits; others are for a server's log. */
  private log(element: XmlElement, path: Path): void {
    const { name, comment = '' } = element.attributes;
    const inside = (change: Partial<Path>) => this.node(element.children[0], element, { ...path, ...change });
    if (name === 'cendro-rule') return inside({ name: comment });
    if (name === 'cendro-working') return this.workingHours(element, comment === 'in', path);
    if (name === 'cendro-stage')
      return inside({ slices: [...path.slices, { stage: Number(comment), seconds: 0, targets: [] }] });
    if (name === 'cendro-wait')
      return inside({
        slices: [...path.slices, { stage: lastStage(path), seconds: Number(comment) || 0, targets: [] }],
      });
    this.note(element, 'A plan writes no log: this is left out.');
    return inside({});
  }

  /**
   * Our mark before the switches that say the plan's working hours. Where they still are this plan's, the rule asks for
   * those; else the times are read as they stand.
   */
  private workingHours(element: XmlElement, isIn: boolean, path: Path): void {
    const found = workingSwitch(element.children[0], isIn, this.plan);
    if (!found) return this.node(element.children[0], element, path);
    const { body, next } = found;
    const ref = next.attributes['ref'] ?? null;
    const when = { ...path.when, workingHours: isIn };
    this.node(body.children[0], body, { ...path, when, pending: path.pending ?? ref });
    if (ref !== path.pending) this.node(next, element, path);
  }

  private byDefault(parent: XmlElement, path: Path): void {
    const own = this.office.phonesOf(this.plan.personId);
    if (path.slices.length > 0 || path.locations.length > 0) {
      this.note(parent, 'The script says nothing more here: the call ends in your mailbox.');
      return this.end(parent, path, { kind: 'mailbox', personId: this.plan.personId });
    }
    this.note(
      parent,
      'The script leaves this to the server: all your phones ring, then your mailbox answers.',
    );
    const targets = own.map(({ id, kind }): RingTarget => ({
      deviceId: id,
      startSeconds: 0,
      ...(kind === 'mobile' && { acceptKey: true }),
    }));
    this.end(
      parent,
      { ...path, slices: [{ stage: null, seconds: defaultTimeout, targets }] },
      { kind: 'mailbox', personId: this.plan.personId },
    );
  }

  private end(element: XmlElement, path: Path, finish: Finish): void {
    if (this.rules.length >= mostRules)
      throw new Stop(element.line, `It makes more than ${mostRules} rules.`);
    const number = this.rules.length + 1;
    const hasWhen = Object.keys(path.when).length > 0;
    this.rules.push({
      id: `${this.plan.personId}-cpl-${number}`,
      name: path.name ?? `Line ${element.line} of the script`,
      lineIds: path.lineIds ?? [],
      stages: joinSlices(path.slices),
      finish,
      ...(path.busyFinish && { busyFinish: path.busyFinish }),
      ...(path.unreachableFinish && { unreachableFinish: path.unreachableFinish }),
      ...(hasWhen && { when: path.when }),
    });
  }
}
