import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import type { Greeting, OfficeIndex, RingPlan } from '@/core/office';
import { daysOffWords, hoursWords, readDaysOff, readHours } from '@/core/plans';
import { editPlan, selectChangedOffice, selectMyPlan, useAppDispatch, useAppSelector } from '@/state/app';
import { Choice, Field, Ticks } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';

import { useLayout } from '../shared/useLayout';
import { FilesPart } from './FilesPart';
import { FindMePart } from './FindMePart';
import { speak } from './speak';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    columns: { flexDirection: 'row', gap: space.xl, alignItems: 'flex-start' },
    stack: { gap: space.xl },
    column: { flex: 1, minWidth: 0, gap: space.xl },
    part: { gap: space.m },
    greeting: { gap: space.s, paddingTop: space.m, borderTopWidth: 1, borderColor: colours.rule },
    acts: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  }),
);

/** What belongs to the plan beside its rules: the working week, days off, greetings, find me, and files in and out. */
export function HoursView() {
  const styles = useStyles();
  const { isWide } = useLayout();
  const plan = useAppSelector(selectMyPlan);
  const office = useAppSelector(selectChangedOffice);
  return (
    <View style={isWide ? styles.columns : styles.stack}>
      <View style={isWide ? styles.column : styles.stack}>
        <HoursPart plan={plan} />
        <GreetingsPart plan={plan} office={office} />
      </View>
      <View style={isWide ? styles.column : styles.stack}>
        <FindMePart plan={plan} office={office} />
        <FilesPart plan={plan} office={office} />
      </View>
    </View>
  );
}

function HoursPart({ plan }: { plan: RingPlan }) {
  const styles = useStyles();
  const dispatch = useAppDispatch();
  return (
    <View style={styles.part} role="region" aria-label="Hours">
      <Txt as="heading" level={2}>
        Hours
      </Txt>
      <ReadField
        key={`hours ${hoursWords(plan.workingHours ?? [])}`}
        label="My working week"
        placeholder="Mon–Fri 8:00–17:00"
        first={hoursWords(plan.workingHours ?? [])}
        read={readHours}
        put={(old, windows) => ({
          ...old,
          workingHours: windows.map((window) => ({ ...window, days: [...window.days] })),
        })}
      />
      <ReadField
        key={`days ${daysOffWords(plan.daysOff ?? [])}`}
        label="Days off, a line for each"
        placeholder="2026-12-24 to 2027-01-02 Yard closed"
        first={daysOffWords(plan.daysOff ?? [])}
        read={readDaysOff}
        put={(old, daysOff) => ({ ...old, daysOff })}
        lines={3}
      />
      {(plan.meetings ?? []).length > 0 ? (
        <View style={styles.acts}>
          <Txt>{`${plan.meetings?.length ?? 0} meetings from a calendar.`}</Txt>
          <Plate
            word="Forget the meetings"
            onPress={() => dispatch(editPlan((old) => ({ ...old, meetings: [] })))}
          />
        </View>
      ) : null}
    </View>
  );
}

interface ReadFieldProps<T> {
  label: string;
  placeholder: string;
  first: string;
  read: (text: string) => { ok: true; value: T } | { ok: false; sentence: string };
  put: (plan: RingPlan, value: T) => RingPlan;
  lines?: number;
}

/** Text that is taken once it reads well; until then what is wrong stands beneath it, and nothing changes. */
function ReadField<T>({ label, placeholder, first, read, put, lines }: ReadFieldProps<T>) {
  const styles = useStyles();
  const dispatch = useAppDispatch();
  const [text, setText] = useState(first);
  const [error, setError] = useState<string | null>(null);
  const take = () => {
    const found = read(text);
    setError(found.ok ? null : found.sentence);
    if (found.ok) dispatch(editPlan((plan) => put(plan, found.value)));
  };
  return (
    <View style={styles.part}>
      <Field
        label={label}
        value={text}
        onChange={(typed) => {
          setText(typed);
          setError(null);
        }}
        onSubmit={lines === undefined ? take : undefined}
        placeholder={placeholder}
        error={error}
        lines={lines}
      />
      {text === first ? null : <Plate word="Take these" label={`Take these: ${label}`} onPress={take} />}
    </View>
  );
}

function freeGreetingId({ personId, greetings = [] }: RingPlan): string {
  for (let number = greetings.length + 1; ; number++) {
    const id = `${personId}-greeting-${number}`;
    if (!greetings.some((greeting) => greeting.id === id)) return id;
  }
}

function GreetingsPart({ plan, office }: { plan: RingPlan; office: OfficeIndex }) {
  const styles = useStyles();
  const dispatch = useAppDispatch();
  const greetings = plan.greetings ?? [];
  const put = (id: string, change: Partial<Greeting>) =>
    dispatch(
      editPlan((old) => ({
        ...old,
        greetings: (old.greetings ?? []).map((each) => (each.id === id ? { ...each, ...change } : each)),
      })),
    );
  const situations = office.people.get(plan.personId)?.situations ?? [];
  return (
    <View style={styles.part} role="region" aria-label="Greetings">
      <Txt as="heading" level={2}>
        Greetings
      </Txt>
      <Txt as="small">Your mailbox speaks the first that fits.</Txt>
      {greetings.map((greeting) => (
        <View key={greeting.id} style={styles.greeting}>
          <Field label="Name" value={greeting.name} onChange={(name) => put(greeting.id, { name })} />
          <Field
            label={`What callers hear: ${greeting.name}`}
            value={greeting.text}
            onChange={(text) => put(greeting.id, { text })}
            lines={5}
          />
          <Choice
            asPlates
            label="When"
            value={greeting.workingHours === undefined ? 'any' : greeting.workingHours ? 'in' : 'out'}
            options={[
              { value: 'any', word: 'at any hour' },
              { value: 'in', word: 'in working hours' },
              { value: 'out', word: 'outside them' },
            ]}
            onChoose={(hours) =>
              put(greeting.id, { workingHours: hours === 'any' ? undefined : hours === 'in' })
            }
          />
          <Ticks
            label="Situations; none for any"
            options={situations.map(({ id, name }) => ({ value: id, word: name }))}
            chosen={greeting.situationIds ?? []}
            onChange={(situationIds) => put(greeting.id, { situationIds })}
          />
          <View style={styles.acts}>
            <Plate word="Hear it" label={`Hear it: ${greeting.name}`} onPress={() => speak(greeting.text)} />
            <Plate
              word="Take it out"
              label={`Take it out: ${greeting.name}`}
              onPress={() =>
                dispatch(
                  editPlan((old) => ({
                    ...old,
                    greetings: (old.greetings ?? []).filter(({ id }) => id !== greeting.id),
                  })),
                )
              }
            />
          </View>
        </View>
      ))}
      <Plate
        word="Another greeting"
        onPress={() =>
          dispatch(
            editPlan((old) => ({
              ...old,
              greetings: [
                {
                  id: freeGreetingId(old),
                  name: 'New greeting',
                  text: 'Please leave a message after the tone.',
                },
                ...(old.greetings ?? []),
              ],
            })),
          )
        }
      />
    </View>
  );
}
