import { useMemo, useState } from 'react';
import { View } from 'react-native';

import { checkPlan, type Finding } from '@/core/plans/checks';
import type { ForwardAll, OfficeIndex, RingPlan } from '@/core/setup';
import { formatMoment } from '@/core/shared/time';
import {
  selectWrite,
  selectMyId,
  selectOffice,
  selectPlanInForce,
  selectZone,
  setForwardAll,
  useAppDispatch,
  useAppSelector,
  useAppStore,
  useNow,
  useServices,
} from '@/state/app';
import { Choice, Field, Ticks } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { useTheme } from '@/ui/tokens';

import { FindingLine } from '../plan/FindingLine';
import { LossesAsked } from '../plan/LossesAsked';
import { selectPastCalls } from '../plan/selectPastCalls';
import { forwardableNumber, forwardTo } from '../shared/numbers';
import { WhoField } from '../shared/WhoField';
import { readForward, type ForwardErrors, type Where } from './readForward';
import { forwardWords, untilWords } from './standingWords';

/** Where everything is to go, and from when to when. What would be lost by it, or cost, is said before it is set. */
export function NewForward() {
  const write = useAppSelector(selectWrite);
  const dispatch = useAppDispatch();
  const { colours } = useTheme();
  const { clock } = useServices();
  const office = useAppSelector(selectOffice);
  const zone = useAppSelector(selectZone);
  const myId = useAppSelector(selectMyId);
  const now = useNow(60_000);
  const [where, setWhere] = useState<Where | null>(null);
  const [extension, setExtension] = useState('');
  const [number, setNumber] = useState('');
  const [isPlain, setPlain] = useState(false);
  const [from, setFrom] = useState('');
  const [until, setUntil] = useState('');
  const [errors, setErrors] = useState<ForwardErrors>({});
  const [isAsked, setAsked] = useState(false);

  const typed = { where, extension, number, isPlain, from, until };
  const read = (at: number) => readForward(typed, at, office, myId);
  const candidate = read(now).forward;
  const findings = useFindings(candidate, now);
  const losses = findings.filter(({ severity }) => severity === 'alarm');
  const takesKey = where === 'number' && forwardTo(number, office.plan).acceptKey === true;

  const change = (set: () => void) => {
    set();
    setErrors({});
    setAsked(false);
  };
  const begin = (isConfirmed: boolean) => {
    const at = clock.now();
    const { forward, errors: found } = read(at);
    setErrors(found);
    if (!forward) return;
    if (losses.length > 0 && !isConfirmed) return setAsked(true);
    const begins = (forward.from ?? at) > at ? ` from ${formatMoment(forward.from ?? at, at, zone)}` : ' now';
    const words = forwardWords(forward.to, office, myId);
    void dispatch(setForwardAll(forward, `${words}${begins}${untilWords(forward.until, at, zone)}.`));
  };
  const repair = ({ forwards = [] }: RingPlan) => {
    const to = forwards[0]?.to;
    change(() => (to?.kind === 'forward' && to.acceptKey ? setPlain(false) : setWhere(null)));
  };
  return (
    <>
      <Choice
        asStrip
        label="To"
        value={where}
        options={[
          { value: 'mailbox', word: 'my mailbox' },
          { value: 'colleague', word: 'a colleague' },
          { value: 'number', word: 'a number' },
        ]}
        onChoose={(next) => change(() => setWhere(next))}
      />
      {where === 'colleague' ? (
        <Choice
          asStrip
          label="Colleague"
          value={extension}
          options={office.setup.people
            .filter(({ id }) => id !== myId)
            .map((person) => ({ value: person.extension, word: person.name }))}
          onChoose={(next) => change(() => setExtension(next))}
        />
      ) : null}
      {where === 'number' ? (
        <WhoField
          label="Number to forward to"
          value={number}
          onChange={(next) => change(() => setNumber(next))}
          error={errors.where}
          isSettled={forwardableNumber(number, office, myId).ok}
          onPick={(who) => change(() => setNumber(write(who.number)))}
        />
      ) : null}
      {takesKey ? (
        <Ticks
          label="There"
          options={[
            {
              value: 'key',
              word: 'Whoever answers presses a key to take the call, so that no mailbox there does',
            },
          ]}
          chosen={isPlain ? [] : ['key']}
          onChange={(chosen) => change(() => setPlain(chosen.length === 0))}
        />
      ) : null}
      {where !== 'number' && errors.where ? (
        <View role="alert">
          <Txt as="small" colour={colours.rowan}>
            {errors.where}
          </Txt>
        </View>
      ) : null}
      <Field
        label="From, such as Tue 12:00; empty for now"
        value={from}
        onChange={(next) => change(() => setFrom(next))}
        error={errors.from}
      />
      <Field
        label="Until, such as Fri 8:00; empty for no end"
        value={until}
        onChange={(next) => change(() => setUntil(next))}
        error={errors.until}
        onSubmit={() => begin(false)}
      />
      {isAsked
        ? null
        : findings.map((finding) => (
            <FindingLine key={finding.sentence} finding={finding} onRepair={repair} />
          ))}
      {isAsked && losses.length > 0 ? (
        <LossesAsked
          title="This forward loses calls"
          word="Forward everything anyway"
          losses={losses}
          confirm={() => begin(true)}
          goOn={() => setAsked(false)}
        />
      ) : (
        <Plate word="Forward everything" kind="main" onPress={() => begin(false)} />
      )}
    </>
  );
}

/** What the ring plan would find with this forward on, and does not find without it. */
function useFindings(forward: ForwardAll | null, now: number): Finding[] {
  const store = useAppStore();
  const office = useAppSelector(selectOffice);
  const plan = useAppSelector(selectPlanInForce);
  const signedIn = useAppSelector((state) => state.office.signedIn);
  const isPastRead = useAppSelector((state) => state.history.isComplete);
  const written = forward && JSON.stringify(forward);
  return useMemo(() => {
    if (written === null) return [];
    const forwards = [JSON.parse(written) as ForwardAll];
    const context = {
      now,
      isSignedIn: (id: string) => signedIn.includes(id),
      pastCalls: () => (isPastRead ? selectPastCalls(store.getState()) : []),
    };
    const sentences = (of: OfficeIndex) => checkPlan(of, plan.personId, context);
    const known = new Set(sentences(office).map(({ sentence }) => sentence));
    return sentences(office.withPlan({ ...plan, forwards })).filter(
      // That nothing rings here is what a forward is for.
      ({ code, sentence, severity }) =>
        severity !== 'notice' && code !== 'nothingRings' && !known.has(sentence),
    );
  }, [store, office, plan, signedIn, isPastRead, written, now]);
}
