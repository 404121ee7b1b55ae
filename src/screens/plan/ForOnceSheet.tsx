import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import { readSpan } from '@/core/shared/parseTime';
import type { OfficeIndex, RingPlan, RingTarget } from '@/core/setup';
import { numbersOf, ringForOnce, spanWords } from '@/core/plans/editing';
import { editPlan, selectWrite, selectMyStanding, useAppDispatch, useAppSelector, useNow } from '@/state/app';
import { Choice, Field, Ticks } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

import { outsideNumber } from '../shared/numbers';
import { standingWords } from '../standing/standingWords';

const times = ['this evening', 'today', 'tomorrow', 'another time'] as const;

interface ForOnceSheetProps {
  plan: RingPlan;
  office: OfficeIndex;
  onClose: () => void;
  /** A rule was added, which first rings then. */
  onAdded: (at: number) => void;
}

/** Some phones ring together for once: this evening, tomorrow until noon. The rule goes by itself afterwards. */
export function ForOnceSheet({ plan, office, onClose, onAdded }: ForOnceSheetProps) {
  const write = useAppSelector(selectWrite);
  const dispatch = useAppDispatch();
  const now = useNow(60_000);
  const standing = useAppSelector((state) => selectMyStanding(state, now));
  const { zone } = office.setup;
  const devices = office.phonesOf(plan.personId);
  const [numbers, setNumbers] = useState(() => numbersOf(plan));
  const [chosen, setChosen] = useState<readonly string[]>(devices.map(({ id }) => id));
  const [number, setNumber] = useState('');
  const [time, setTime] = useState<(typeof times)[number]>('this evening');
  const [typed, setTyped] = useState('');
  const [errors, setErrors] = useState<{ rings?: string; number?: string; time?: string }>({});
  const span = readSpan(time === 'another time' ? typed : time, now, zone);

  const addNumber = () => {
    const read = outsideNumber(number, office.plan);
    if (!read.ok) return setErrors({ number: read.sentence });
    setErrors({});
    setNumber('');
    setNumbers((old) => [...new Set([...old, read.number])]);
    setChosen((old) => [...new Set([...old, read.number])]);
  };
  const add = () => {
    const targets: RingTarget[] = [
      ...devices.flatMap(({ id, kind }) =>
        chosen.includes(id)
          ? [{ deviceId: id, startSeconds: 0, ...(kind === 'mobile' && { acceptKey: true }) }]
          : [],
      ),
      ...numbers.flatMap((each) =>
        chosen.includes(each) ? [{ number: each, startSeconds: 0, acceptKey: true }] : [],
      ),
    ];
    if (targets.length === 0) return setErrors({ rings: 'Choose what rings.' });
    if (!span.ok) return setErrors({ time: span.sentence });
    const { from, until } = span;
    dispatch(editPlan((old) => ringForOnce(old, office, targets, { from, until }).plan));
    onAdded(span.from);
    onClose();
  };
  return (
    <Sheet title="For once" onClose={onClose} foot={<Plate kind="main" word="Add it" onPress={add} />}>
      <View style={styles.stack}>
        <Ticks
          label="These ring together"
          options={[
            ...devices.map(({ id, kind, name }) => ({ value: id, word: kind === 'app' ? 'this app' : name })),
            ...numbers.map((each) => ({ value: each, word: write(each) })),
          ]}
          chosen={chosen}
          onChange={(next) => {
            setChosen(next);
            setErrors({});
          }}
        />
        {errors.rings ? (
          <View role="alert">
            <Txt as="small">{errors.rings}</Txt>
          </View>
        ) : null}
        <Choice
          asStrip
          label="When"
          value={time}
          options={times.map((value) => ({ value, word: value }))}
          onChoose={(next) => {
            setTime(next);
            setErrors({});
          }}
        />
        {time === 'another time' ? (
          <Field
            label="Such as tomorrow until noon, or 26 Nov 17:00–23:00"
            value={typed}
            onChange={(next) => {
              setTyped(next);
              setErrors({});
            }}
            onSubmit={add}
            error={errors.time}
          />
        ) : null}
        {span.ok ? (
          <Txt as="small">{`It is ${spanWords(span, zone)}, then goes to your mailbox after 25 s. The rule then removes itself.`}</Txt>
        ) : errors.time && time !== 'another time' ? (
          <Txt as="small">{errors.time}</Txt>
        ) : null}
        {standing.forward || standing.doNotDisturb ? (
          <Txt as="small">
            {`${standingWords(standing, office, now, plan.personId)}: until that ends, nothing of this rings.`}
          </Txt>
        ) : null}
        <Field
          label="Another number to ring"
          value={number}
          onChange={(next) => {
            setNumber(next);
            setErrors({});
          }}
          onSubmit={addNumber}
          numeric
          error={errors.number}
        />
        {number === '' ? null : <Plate word="Add this number" onPress={addNumber} />}
      </View>
    </Sheet>
  );
}

const styles = StyleSheet.create({ stack: { gap: space.m } });
