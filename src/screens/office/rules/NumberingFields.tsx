import { useFormState, useWatch, type UseFormReturn } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';

import { dialledIn, numberingPlan, ukNumbering, type HomeCountry } from '@/core/numbers/numbering';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

import { FormLine } from '../../shared/FormLine';
import { FormSteps, Wrong } from '../form/fields';
import { FormPick } from '../form/FormPick';
import { countryChoices } from './countries';
import type { RulesForm } from './rulesForm';

const services = [
  { name: 'services.unpark', label: 'Code, with a slot behind it, that takes a parked call' },
  { name: 'services.pickUpGroup', label: 'Code that picks up in the own team' },
  { name: 'services.pickUp', label: 'Code, with an extension behind it, that picks up there' },
  { name: 'services.join', label: 'Code, with an invitation behind it, that comes into a call' },
  {
    name: 'services.mailbox',
    label: 'Code that opens one’s own mailbox, or with an extension behind it somebody’s',
  },
] as const;

/** How numbers are read and written here, what is an extension, and what the office does at codes. */
export function NumberingFields({ form: { control, setValue } }: { form: UseFormReturn<RulesForm> }) {
  const country = useWatch({ control, name: 'country' });
  return (
    <View style={styles.part} role="group" aria-label="Numbers">
      <Txt as="heading" level={2}>
        Numbers
      </Txt>
      <FormPick
        control={control}
        name="country"
        label="Country"
        options={countryChoices()}
        onChosen={(chosen) => setValue('emergency', dialledIn(chosen).emergency.join(', '))}
      />
      <Txt as="small">{dialledWords(country)}</Txt>
      <FormLine
        control={control}
        name="emergency"
        label="What help is called by, separated by commas"
        isNumber
      />
      <FormLine control={control} name="extensions.begin" label="What extensions begin with" isNumber />
      <FormSteps
        control={control}
        name="extensions.least"
        label="Fewest figures of one"
        unit="figures"
        least={3}
        most={5}
      />
      <FormSteps
        control={control}
        name="extensions.most"
        label="Most figures of one"
        unit="figures"
        least={3}
        most={5}
      />
      <WrongExtensions control={control} />
      {services.map(({ name, label }) => (
        <FormLine key={name} control={control} name={name} label={label} isNumber />
      ))}
    </View>
  );
}

/** What is wrong with all of them together. */
function WrongExtensions({ control }: Pick<UseFormReturn<RulesForm>, 'control'>) {
  const { errors } = useFormState({ control, name: 'extensions' });
  return <Wrong words={errors.extensions?.message ?? errors.extensions?.root?.message} />;
}

function dialledWords(country: HomeCountry): string {
  const { trunkPrefix, homeCallingCode } = numberingPlan({ ...ukNumbering, country });
  const help = dialledIn(country).emergency.join(', ');
  const inside =
    trunkPrefix === null
      ? 'Within the country nothing stands before a number'
      : `Within the country numbers begin with ${trunkPrefix}`;
  return `${inside}, from elsewhere with +${homeCallingCode}. Numbers of other countries begin with + and theirs. Help is always called by ${help}.`;
}

const styles = StyleSheet.create({ part: { gap: space.s } });
