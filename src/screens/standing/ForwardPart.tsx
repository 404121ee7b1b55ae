import { useState } from 'react';
import { View } from 'react-native';

import type { Finish, ForwardAll } from '@/core/office';
import { readWhen } from '@/core/moments';
import {
  formatAny,
  selectOffice,
  selectPlanInForce,
  selectZone,
  setForwardAll,
  useAppDispatch,
  useAppSelector,
  useNow,
  useServices,
} from '@/state/app';
import { Choice, Field } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

import { dialableNumber } from '../shared/numbers';
import { WhoField } from '../shared/WhoField';
import { forwardWords, untilWords } from './standingWords';

type Where = 'mailbox' | 'colleague' | 'number';

/** Everything goes somewhere else, now or from one day to another. */
export function ForwardPart() {
  const dispatch = useAppDispatch();
  const office = useAppSelector(selectOffice);
  const zone = useAppSelector(selectZone);
  const myId = useAppSelector((state) => state.office.me?.personId ?? '');
  const now = useNow(60_000);
  const plan = useAppSelector(selectPlanInForce);
  const present = plan.forwards?.find(({ until }) => until === null || until > now);
  return (
    <View style={{ gap: space.m }} role="region" aria-label="Forward everything">
      <Txt as="heading" level={2}>
        Forward everything
      </Txt>
      {present ? (
        <>
          <Txt>{`${forwardWords(present.to, office, myId)}${present.from !== null && present.from > now ? ` from ${untilWords(present.from, now, zone).replace(' until ', '')}` : ''}${untilWords(present.until, now, zone)}.`}</Txt>
          <Plate
            word="Take it off"
            kind="main"
            onPress={() => void dispatch(setForwardAll(null, 'Your ring plan decides again.'))}
          />
        </>
      ) : (
        <NewForward />
      )}
    </View>
  );
}

function NewForward() {
  const dispatch = useAppDispatch();
  const { clock } = useServices();
  const office = useAppSelector(selectOffice);
  const zone = useAppSelector(selectZone);
  const myId = useAppSelector((state) => state.office.me?.personId ?? '');
  const [where, setWhere] = useState<Where>('mailbox');
  const [extension, setExtension] = useState('');
  const [number, setNumber] = useState('');
  const [from, setFrom] = useState('');
  const [until, setUntil] = useState('');
  const [errors, setErrors] = useState<Partial<Record<'where' | 'from' | 'until', string>>>({});

  const begin = () => {
    const at = clock.now();
    const found: typeof errors = {};
    const to = readTarget(where, extension, number, myId);
    if (typeof to === 'string') found.where = to;
    const start = from.trim() === '' ? { ok: true as const, at } : readWhen(from, at, zone);
    if (!start.ok) found.from = start.sentence;
    const stop = until.trim() === '' ? null : readWhen(until, start.ok ? start.at : at, zone);
    if (stop && !stop.ok) found.until = stop.sentence;
    else if (stop && start.ok && stop.at <= start.at) found.until = 'It ends before it begins.';
    setErrors(found);
    if (Object.keys(found).length > 0 || typeof to === 'string' || !start.ok || (stop && !stop.ok)) return;
    const forward: ForwardAll = { to, from: start.at, until: stop?.at ?? null };
    const words = forwardWords(to, office, myId);
    const begins = start.at > at ? ` from ${untilWords(start.at, at, zone).replace(' until ', '')}` : ' now';
    void dispatch(setForwardAll(forward, `${words}${begins}${untilWords(forward.until, at, zone)}.`));
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
        onChoose={setWhere}
      />
      {where === 'colleague' ? (
        <Choice
          asStrip
          label="Colleague"
          value={extension}
          options={office.setup.people
            .filter(({ id }) => id !== myId)
            .map((person) => ({ value: person.extension, word: person.name }))}
          onChoose={setExtension}
        />
      ) : null}
      {where === 'number' ? (
        <WhoField
          label="Number to forward to"
          value={number}
          onChange={setNumber}
          error={errors.where}
          isSettled={dialableNumber(number).ok}
          onPick={(who) => setNumber(formatAny(who.number))}
        />
      ) : null}
      {where === 'colleague' && errors.where ? <Txt as="small">{errors.where}</Txt> : null}
      <Field
        label="From, such as Tue 12:00; empty for now"
        value={from}
        onChange={setFrom}
        error={errors.from}
      />
      <Field
        label="Until, such as Fri 8:00; empty for no end"
        value={until}
        onChange={setUntil}
        error={errors.until}
        onSubmit={begin}
      />
      <Plate word="Forward everything" kind="main" onPress={begin} />
    </>
  );
}

/** Where it goes, or what is wrong with it. */
function readTarget(where: Where, extension: string, number: string, myId: string): Finish | string {
  if (where === 'mailbox') return { kind: 'mailbox', personId: myId };
  if (where === 'colleague') return extension === '' ? 'Choose whom.' : { kind: 'forward', to: extension };
  const read = dialableNumber(number);
  return read.ok ? { kind: 'forward', to: read.number } : read.sentence;
}
