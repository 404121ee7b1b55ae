import { Controller, type FieldValues } from 'react-hook-form';
import { View } from 'react-native';

import type { OfficeSetup } from '@/core/setup';
import { Choice, Stepper, Ticks } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { useTheme } from '@/ui/tokens';

import type { FieldOf } from '../../shared/FormLine';

interface ChoiceOf<Form extends FieldValues> extends FieldOf<Form> {
  options: readonly { value: string; word: string; detail?: string }[];
  asStrip?: boolean;
  onChosen?: (value: string) => void;
}

/** One of a few, under its label. */
export function FormChoice<Form extends FieldValues>(props: ChoiceOf<Form>) {
  const { control, name, label, options, asStrip = false, onChosen } = props;
  return (
    <Controller
      control={control}
      name={name}
      render={({ field: { value, onChange }, fieldState: { error } }) => (
        <View>
          {asStrip ? null : <Txt as="small">{label}</Txt>}
          <Choice
            label={label}
            value={value as string}
            options={options}
            asStrip={asStrip}
            onChoose={(chosen) => {
              onChange(chosen);
              onChosen?.(chosen);
            }}
          />
          <Wrong words={error?.message} />
        </View>
      )}
    />
  );
}

/** Any of several. */
export function FormTicks<Form extends FieldValues>({
  control,
  name,
  label,
  options,
}: FieldOf<Form> & { options: readonly { value: string; word: string }[] }) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field: { value, onChange }, fieldState: { error } }) => (
        <View>
          <Ticks label={label} options={options} chosen={value as string[]} onChange={onChange} />
          <Wrong words={error?.message} />
        </View>
      )}
    />
  );
}

/** Something that is so or not. */
export function FormLever<Form extends FieldValues>({ control, name, label }: FieldOf<Form>) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field: { value, onChange }, fieldState: { error } }) => (
        <View>
          <Plate word={label} pressed={value as boolean} onPress={() => onChange(!value)} />
          <Wrong words={error?.message} />
        </View>
      )}
    />
  );
}

/** A whole number by steps. */
export function FormSteps<Form extends FieldValues>({
  control,
  name,
  label,
  unit,
  least,
  most,
}: FieldOf<Form> & { unit: string; least: number; most: number }) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field: { value, onChange } }) => (
        <Stepper
          {...{ label, unit, least, most, onChange }}
          value={value as number}
          tooSmall={`It has to be ${least} at least.`}
        />
      )}
    />
  );
}

/** What is wrong with something of a form that is no line to type. */
export function Wrong({ words }: { words: string | undefined }) {
  const { colours } = useTheme();
  if (words === undefined) return null;
  return (
    <View role="alert">
      <Txt as="small" colour={colours.rowan}>
        {words}
      </Txt>
    </View>
  );
}

/** The same with conferences, which have nobody’s calls but their own. */
export const lineOwnerChoices = (setup: OfficeSetup) => [
  ...ownerChoices(setup),
  ...setup.conferences.map(({ id, name }) => ({ value: id, word: name, detail: 'conference' })),
];

/** Everybody and everything that can have a line's calls, with what they are. */
export const ownerChoices = ({ people, teams, menus }: OfficeSetup) => [
  ...people.map(({ id, name, role }) => ({ value: id, word: name, detail: role })),
  ...teams.map(({ id, name }) => ({ value: id, word: name, detail: 'team' })),
  ...menus.map(({ id, name }) => ({ value: id, word: name, detail: 'menu' })),
];
