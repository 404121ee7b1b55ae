import { useCallback, useMemo } from 'react';
import { useWatch, type Control } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';

import { barredCalls, type BarredCalls } from '@/core/calls/outward';
import { formatMoney } from '@/core/numbers/rates';
import type { OfficeSetup } from '@/core/setup';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';
import type { FiguresBeside } from '@/workers/figuresBeside';

import { FormLine } from '../../shared/FormLine';
import { useSpan } from '../../figures/useFigures';
import { useReckoned } from '../../figures/useReckoned';
import { FormChoice, FormTicks } from '../form/fields';
import { outwardOf, rulesFormSchema, type RulesForm } from './rulesForm';

const countries = [
  { value: 'all', word: 'All other countries' },
  { value: 'some', word: 'Some other countries' },
  { value: 'none', word: 'No other country' },
];

interface OutwardFieldsProps {
  control: Control<RulesForm>;
  /** The office as the form saw it. */
  seen: OfficeSetup;
}

/** Which countries are called, at what price, at which hours and by whom; with what that would have changed. */
export function OutwardFields({ control, seen }: OutwardFieldsProps) {
  const abroad = useWatch({ control, name: 'abroad' });
  return (
    <View style={styles.part} role="group" aria-label="Calls out">
      <Txt as="heading" level={2}>
        Calls out
      </Txt>
      <FormChoice control={control} name="abroad" label="What may be called" options={countries} />
      {abroad === 'some' ? (
        <FormLine
          control={control}
          name="countries"
          label="How their numbers begin, separated by commas: +353, +33"
          isNumber
        />
      ) : null}
      <FormLine
        control={control}
        name="mostAMinute"
        label={`The most a minute may cost, in ${hundredthsWord(seen)}; empty: anything`}
        isNumber
      />
      <FormLine
        control={control}
        name="locked"
        label="When no other country is called, such as Mon–Fri 18–24; empty: never"
      />
      <FormTicks
        control={control}
        name="exceptIds"
        label="Whom none of this binds"
        options={seen.people.map(({ id, name }) => ({ value: id, word: name }))}
      />
      <WouldHaveChanged control={control} seen={seen} />
    </View>
  );
}

const hundredthsWord = ({ rates }: OfficeSetup) =>
  rates.currency === 'GBP' ? 'pence' : `hundredths of ${rates.currency}`;

/** What the rules, as they are filled in, would have made of the calls out of the last 30 days. */
function WouldHaveChanged({ control, seen }: OutwardFieldsProps) {
  const form = useWatch({ control }) as RulesForm;
  const span = useSpan('month');
  // The same for the same rules, whatever else is typed.
  const typed = rulesFormSchema.safeParse(form).success
    ? JSON.stringify({ outward: outwardOf(form), barred: form.barred })
    : null;
  const rules = useMemo(() => {
    if (typed === null) return null;
    const { outward, barred } = JSON.parse(typed) as {
      outward: ReturnType<typeof outwardOf>;
      barred: RulesForm['barred'];
    };
    const { outward: _, ...policies } = seen.policies;
    return {
      ...{ rates: seen.rates, zone: seen.zone, numbering: seen.numbering },
      policies: { ...policies, barred, ...(outward && { outward }) },
    };
  }, [typed, seen]);
  const ask = useCallback((figures: FiguresBeside) => figures.outCalls(span), [span]);
  const { found: calls, isFailed } = useReckoned(span, ask);
  const found = useMemo(() => (calls && rules ? barredCalls(calls, rules) : null), [calls, rules]);
  if (typed === null || isFailed) return null;
  return (
    <View role="status">
      <Txt as="small">
        {found ? wouldWords(found, seen.rates.currency) : 'Past calls are being looked at.'}
      </Txt>
    </View>
  );
}

function wouldWords({ placed, barred, costMicros, whys }: BarredCalls, currency: string): string {
  const all = `Of ${placed === 1 ? '1 call' : `${placed} calls`} out in the last 30 days`;
  if (barred === 0) return `${all} each would have been placed.`;
  const parts = whys.map(({ why, calls }) => `${calls} to ${why}`);
  return `${all} ${barred} would not have been placed, which cost ${formatMoney(costMicros, currency)}: ${parts.join('; ')}.`;
}

const styles = StyleSheet.create({ part: { gap: space.s } });
