import { useFieldArray, type Control } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';

import { useAppSelector } from '@/state/app';
import { selectRunsOffice } from '@/state/configuration';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';

import { FormLine } from '../../shared/FormLine';
import { useGo } from '../../shared/useGo';
import { FormLever, FormSteps } from '../form/fields';
import { FormScreen } from '../form/FormScreen';
import { Gone } from '../form/Gone';
import { useOfficeForm } from '../form/useOfficeForm';
import { KeptFields } from './KeptFields';
import { NumberingFields } from './NumberingFields';
import { OutwardFields } from './OutwardFields';
import { asRulesForm, rulesEdits, rulesFormSchema, type RulesForm } from './rulesForm';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    part: { gap: space.s },
    barred: { gap: space.s, paddingBottom: space.m, borderBottomWidth: 1, borderColor: colours.rule },
    aside: { alignSelf: 'flex-start' },
  }),
);

/** What holds for the whole office. */
export function RulesScreen() {
  const runs = useAppSelector(selectRunsOffice);
  return runs ? <Rules /> : <Gone what="Only whoever runs the office sees this." />;
}

function Rules() {
  const go = useGo();
  const of = useOfficeForm({
    schema: rulesFormSchema,
    initial: asRulesForm,
    edits: rulesEdits,
    said: () => 'The rules of the house are changed.',
    onDone: go.office,
  });
  const { control } = of.form;
  return (
    <FormScreen
      title="Rules of the house"
      about="They hold for everybody, from the next call on."
      of={of}
      onCancel={go.office}
    >
      <FormLine control={control} name="name" label="What the office is called" />
      <FormLine control={control} name="zone" label="Time zone" />
      <NumberingFields form={of.form} />
      <FormLever control={control} name="mayWithhold" label="Numbers may be withheld" />
      <Barred control={control} />
      <OutwardFields control={control} seen={of.seen} />
      <KeptFields control={control} />
      <FormSteps
        control={control}
        name="transferReturnSeconds"
        label="A caller who was sent on and is not taken comes back after"
        unit="s"
        least={5}
        most={300}
      />
      <FormSteps
        control={control}
        name="parkSeconds"
        label="Somebody who is parked rings back after"
        unit="s"
        least={10}
        most={3600}
      />
      <FormLine control={control} name="slots" label="Park slots, separated by commas" isNumber />
    </FormScreen>
  );
}

/** Numbers that can't be called, by how they begin. */
function Barred({ control }: { control: Control<RulesForm> }) {
  const styles = useStyles();
  const { fields, append, remove } = useFieldArray({ control, name: 'barred' });
  return (
    <View style={styles.part} role="group" aria-label="Numbers that can’t be called">
      <Txt as="heading" level={2}>
        Numbers that can’t be called
      </Txt>
      {fields.length === 0 ? <Txt as="small">All can be called.</Txt> : null}
      {fields.map(({ id, prefix }, at) => (
        <View key={id} style={styles.barred}>
          <FormLine control={control} name={`barred.${at}.prefix`} label="They begin with" isNumber />
          <FormLine control={control} name={`barred.${at}.why`} label="What they are" />
          <Plate
            word="Let them be called"
            label={`Let them be called: ${prefix}`}
            style={styles.aside}
            onPress={() => remove(at)}
          />
        </View>
      ))}
      <Plate word="Bar more numbers" style={styles.aside} onPress={() => append({ prefix: '+', why: '' })} />
    </View>
  );
}
