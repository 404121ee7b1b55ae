import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import { readSpan } from '@/core/shared/parseTime';
import { interpretDialled, isExternal } from '@/core/numbers/numbering';
import type { CallerMatch, OfficeIndex, RingPlan, RingRule, When } from '@/core/setup';
import { callerWords, describeRule, edits, spanWords } from '@/core/plans/editing';
import { hoursWords, readHours } from '@/core/plans/hours';
import { editPlan, useAppDispatch, useNow } from '@/state/app';
import { Choice, Field, Ticks } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

interface RuleSheetProps {
  plan: RingPlan;
  ruleId: string;
  office: OfficeIndex;
  onClose: () => void;
}

/** When a rule is for a call: its name, lines, callers, situations and hours. */
export function RuleSheet({ plan, ruleId, office, onClose }: RuleSheetProps) {
  const dispatch = useAppDispatch();
  const rule = plan.rules.find(({ id }) => id === ruleId);
  if (!rule) return null;
  const { when = {} } = rule;
  const put = (change: Partial<RingRule>) =>
    dispatch(editPlan((old) => edits.changeRule(old, ruleId, change)));
  const putWhen = (change: Partial<When>) => put({ when: { ...when, ...change } });
  const lines = office.setup.lines.filter(({ ownerId }) => ownerId === plan.personId);
  const situations = office.people.get(plan.personId)?.situations ?? [];
  return (
    <Sheet title="When this rule applies" onClose={onClose}>
      <View style={styles.stack}>
        <Txt as="small">{describeRule(rule, office, plan.personId)}</Txt>
        <Field label="Name" value={rule.name} onChange={(name) => put({ name })} />
        <Ticks
          label="Lines (none: any)"
          options={lines.map(({ id, name }) => ({ value: id, word: name }))}
          chosen={rule.lineIds}
          onChange={(lineIds) => put({ lineIds })}
        />
        <Callers when={when} office={office} onChange={putWhen} />
        <Ticks
          label="Situations (none: any)"
          options={situations.map(({ id, name }) => ({ value: id, word: name }))}
          chosen={when.situationIds ?? []}
          onChange={(situationIds) => putWhen({ situationIds })}
        />
        <YesNo
          label="Working hours"
          words={['at any hour', 'in them', 'outside them']}
          value={when.workingHours}
          onChange={(workingHours) => putWhen({ workingHours })}
        />
        <Hours when={when} onChange={putWhen} />
        <Once when={when} zone={office.setup.zone} onChange={putWhen} />
        <YesNo
          label="Meetings of my calendar"
          words={['either way', 'in one', 'outside them']}
          value={when.inMeeting}
          onChange={(inMeeting) => putWhen({ inMeeting })}
        />
        <YesNo
          label="My other calls"
          words={['either way', 'while I am on one', 'while I am on none']}
          value={when.whileOnCall}
          onChange={(whileOnCall) => putWhen({ whileOnCall })}
        />
      </View>
    </Sheet>
  );
}

interface YesNoProps {
  label: string;
  /** For either, yes and no. */
  words: readonly [string, string, string];
  value: boolean | undefined;
  onChange: (value: boolean | undefined) => void;
}

function YesNo({ label, words, value, onChange }: YesNoProps) {
  const chosen = value === undefined ? 'any' : value ? 'yes' : 'no';
  return (
    <Choice
      asStrip
      label={label}
      value={chosen}
      options={[
        { value: 'any', word: words[0] },
        { value: 'yes', word: words[1] },
        { value: 'no', word: words[2] },
      ]}
      onChoose={(next) => onChange(next === 'any' ? undefined : next === 'yes')}
    />
  );
}

interface PartProps {
  when: When;
  onChange: (change: Partial<When>) => void;
}

/** Hours of the rule's own, beside the working week. */
function Hours({ when, onChange }: PartProps) {
  const [text, setText] = useState(hoursWords(when.hours ?? []));
  const [error, setError] = useState<string | null>(null);
  return (
    <Field
      label="Only at these hours, such as Sat 9:00–12:00 or Mon–Fri 22:00–6:00"
      value={text}
      error={error}
      onChange={(typed) => {
        setText(typed);
        const read = readHours(typed);
        setError(read.ok ? null : read.sentence);
        if (read.ok) onChange({ hours: read.value.map((window) => ({ ...window, days: [...window.days] })) });
      }}
    />
  );
}

/** A stretch that comes once; the rule goes by itself after it. */
function Once({ when, zone, onChange }: PartProps & { zone: string }) {
  const now = useNow(60_000);
  const spans = when.spans ?? [];
  const [text, setText] = useState('');
  const [error, setError] = useState<string | null>(null);
  const typed = (next: string) => {
    setText(next);
    setError(null);
    if (next.trim() === '') return;
    const read = readSpan(next, now, zone);
    if (read.ok) onChange({ spans: [{ from: read.from, until: read.until }] });
    else setError(read.sentence);
  };
  return (
    <>
      <Field
        label="Only once, such as this evening, tomorrow until noon"
        value={text}
        error={error}
        onChange={typed}
      />
      {spans.map((span) => (
        <Txt
          key={span.from}
          as="small"
        >{`Once: ${spanWords(span, zone)}. Then the rule removes itself.`}</Txt>
      ))}
      {spans.length > 0 ? (
        <Plate
          word="Not only once"
          onPress={() => {
            setText('');
            onChange({ spans: undefined });
          }}
        />
      ) : null}
    </>
  );
}

const kinds: readonly CallerMatch[] = [
  { kind: 'starred' },
  { kind: 'colleague' },
  { kind: 'unknown' },
  { kind: 'withheld' },
  { kind: 'repeated', times: 2, withinMinutes: 15 },
];

/** Kinds of callers to tick, groups, and single numbers. */
function Callers({ when, office, onChange }: PartProps & { office: OfficeIndex }) {
  const [text, setText] = useState('');
  const [error, setError] = useState<string | null>(null);
  const present = when.callers ?? [];
  const offered: CallerMatch[] = [
    ...kinds,
    ...office.setup.callerGroups.map(({ id }) => ({ kind: 'group' as const, groupId: id })),
  ];
  const keyOf = (match: CallerMatch) => JSON.stringify(match);
  const own = present.filter((match) => !offered.some((each) => keyOf(each) === keyOf(match)));
  const all = [...offered, ...own];
  const add = () => {
    const dialled = interpretDialled(text, office.plan);
    const prefix = /^\+\d{1,8}$/.exec(text.replaceAll(' ', ''))?.[0];
    if (isExternal(dialled)) onChange({ callers: [...present, { kind: 'number', number: dialled.e164 }] });
    else if (prefix) onChange({ callers: [...present, { kind: 'prefix', prefix }] });
    else return setError('Write a whole number, or how it begins, such as +44191.');
    setText('');
    setError(null);
  };
  return (
    <>
      <Ticks
        label="Callers (none: anybody)"
        options={all.map((match) => ({ value: keyOf(match), word: callerWords(match, office) }))}
        chosen={present.map(keyOf)}
        onChange={(chosen) => onChange({ callers: all.filter((match) => chosen.includes(keyOf(match))) })}
      />
      <Field
        label="A caller’s number, or how it begins"
        value={text}
        onChange={setText}
        onSubmit={add}
        numeric
        error={error}
      />
      {text === '' ? null : <Plate word="Add this caller" onPress={add} />}
    </>
  );
}

const styles = StyleSheet.create({ stack: { gap: space.m } });
