import { useState } from 'react';
import { Controller, type FieldValues } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';

import { Choice } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

import type { FieldOf } from '../../shared/FormLine';

interface PickOf<Form extends FieldValues, Value extends string> extends FieldOf<Form> {
  options: readonly { value: Value; word: string }[];
  onChosen?: (value: Value) => void;
}

/** One of many: the form shows which, and a sheet lists them all. */
export function FormPick<Form extends FieldValues, Value extends string>(props: PickOf<Form, Value>) {
  const { control, name, label, options, onChosen } = props;
  const [isOpen, setOpen] = useState(false);
  return (
    <Controller
      control={control}
      name={name}
      render={({ field: { value, onChange } }) => {
        const word = options.find((option) => option.value === value)?.word ?? '';
        return (
          <View style={styles.part}>
            <Txt as="small">{label}</Txt>
            <Plate
              word={word}
              label={`${label}: ${word}`}
              style={styles.plate}
              onPress={() => setOpen(true)}
            />
            {isOpen ? (
              <Sheet title={label} onClose={() => setOpen(false)}>
                <Choice
                  label={label}
                  value={value as Value}
                  options={options}
                  onChoose={(chosen) => {
                    setOpen(false);
                    onChange(chosen);
                    onChosen?.(chosen);
                  }}
                />
              </Sheet>
            ) : null}
          </View>
        );
      }}
    />
  );
}

const styles = StyleSheet.create({ part: { gap: space.xs }, plate: { alignSelf: 'flex-start' } });
