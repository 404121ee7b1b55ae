import { useEffect, useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';

import type { OfficeIndex, RingPlan } from '@/core/setup';
import { daysOffWords, hoursWords, readDaysOff, readHours } from '@/core/plans/hours';
import type { WeekWindow } from '@/core/shared/time';
import { editPlan, useAppDispatch } from '@/state/app';
import { Field } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';

const useStyles = themed(() =>
  StyleSheet.create({
    part: { gap: space.m },
    acts: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  }),
);

/** The working week, hours of single lines, and days off. */
export function HoursView({ plan, office }: { plan: RingPlan; office: OfficeIndex }) {
  const styles = useStyles();
  const dispatch = useAppDispatch();
  return (
    <View style={styles.part} role="region" aria-label="Hours">
      <Txt as="heading" level={2}>
        Hours
      </Txt>
      <ReadField
        label="My working week, such as Mon–Fri 8:00–17:00 or Sat 22:00–6:00"
        placeholder="Mon–Fri 8:00–17:00"
        first={hoursWords(plan.workingHours ?? [])}
        read={readHours}
        put={(old, windows) => ({ ...old, workingHours: asKept(windows) })}
      />
      {office.setup.lines
        .filter(({ ownerId }) => ownerId === plan.personId)
        .map(({ id, name }) => (
          <ReadField
            key={id}
            label={`${name}, if it has other hours`}
            placeholder="as my working week"
            first={hoursWords(plan.lineHours?.find(({ lineId }) => lineId === id)?.hours ?? [])}
            read={readHours}
            put={(old, windows) => withLineHours(old, id, asKept(windows))}
          />
        ))}
      <ReadField
        label="Days off, one on each line"
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

const asKept = (windows: readonly WeekWindow[]) =>
  windows.map((window) => ({ ...window, days: [...window.days] }));

/** With no hours written the line goes by the working week. */
function withLineHours(plan: RingPlan, lineId: string, hours: ReturnType<typeof asKept>): RingPlan {
  const others = (plan.lineHours ?? []).filter((each) => each.lineId !== lineId);
  return { ...plan, lineHours: hours.length === 0 ? others : [...others, { lineId, hours }] };
}

interface ReadFieldProps<T> {
  label: string;
  placeholder: string;
  first: string;
  read: (text: string) => { ok: true; value: T } | { ok: false; sentence: string };
  put: (plan: RingPlan, value: T) => RingPlan;
  lines?: number;
}

/** Text that is taken as soon as it is left and reads well; until then what is wrong stands beneath it, and nothing changes. */
function ReadField<T>({ label, placeholder, first, read, put, lines }: ReadFieldProps<T>) {
  const dispatch = useAppDispatch();
  const [text, setText] = useState(first);
  const [error, setError] = useState<string | null>(null);
  // What it was last: when that changes elsewhere, as by Undo, it stands here.
  const [shown, setShown] = useState(first);
  if (shown !== first) {
    setShown(first);
    setText(first);
    setError(null);
  }
  const take = () => {
    if (text === first) return;
    const found = read(text);
    setError(found.ok ? null : found.sentence);
    if (found.ok) dispatch(editPlan((plan) => put(plan, found.value)));
  };
  // Leaving the screen is leaving the field.
  const leave = useRef(take);
  useEffect(() => {
    leave.current = take;
  });
  useEffect(() => () => leave.current(), []);
  return (
    <Field
      label={label}
      value={text}
      onChange={(typed) => {
        setText(typed);
        setError(null);
      }}
      onSubmit={lines === undefined ? take : undefined}
      onLeave={take}
      placeholder={placeholder}
      error={error}
      lines={lines}
    />
  );
}
