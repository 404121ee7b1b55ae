import { useState } from 'react';
import { useWatch } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';

import { kindsInStock, strokes, type NumberKind } from '@/core/setup';
import { selectWrite, selectOffice, useAppSelector } from '@/state/app';
import { CordEdge, strokeNames } from '@/ui/cord';
import { EmptyState } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

import { FormLine } from '../../shared/FormLine';
import { useGo } from '../../shared/useGo';
import { FormChoice, FormLever, FormSteps, FormTicks, lineOwnerChoices } from '../form/fields';
import { FormScreen } from '../form/FormScreen';
import { Opened } from '../form/Opened';
import { recordingChoices } from '../form/recordingField';
import { useOfficeForm } from '../form/useOfficeForm';
import { asLineForm, lineEdits, lineFormSchema, numbersToTake } from './lineForm';

const kindWords: Record<NumberKind, string> = {
  town: 'Town',
  national: 'National',
  freephone: 'Freephone',
  mobile: 'Mobile',
};
const also = [
  { value: 'urgent', word: 'urgent' },
  { value: 'texts', word: 'texts' },
  { value: 'faxes', word: 'faxes' },
];

/** A line of the office, or one that is taken from the carrier's stock. */
export function LineFormScreen() {
  return <Opened part="lines" Form={LineForm} gone="That line has been given back." />;
}

function LineForm({ id }: { id: string }) {
  const write = useAppSelector(selectWrite);
  const go = useGo();
  const [before] = useState(useAppSelector((state) => selectOffice(state).lines.get(id) ?? null));
  const of = useOfficeForm({
    schema: lineFormSchema,
    initial: (setup) => asLineForm(setup, before),
    edits: (seen, form) => lineEdits(seen, before, form),
    said: ({ name, number }) =>
      before ? `The line ${name} is changed.` : `${write(number)} is taken, and is ${name}.`,
    onDone: () => go.officePart('lines'),
  });
  const { control, setValue } = of.form;
  const kinds = kindsInStock(of.seen);
  const [kind, hue, stroke] = useWatch({ control, name: ['kind', 'hue', 'stroke'] });
  if (!before && kinds.length === 0)
    return (
      <EmptyState
        level={1}
        title="No number to take"
        sentence="The stand-in carrier has none of this office’s country. You can bring your own along."
      >
        <Plate kind="main" word="Bring numbers along" onPress={() => go.officePart('port')} />
      </EmptyState>
    );
  return (
    <FormScreen
      title={before ? before.name : 'A new line'}
      about={before ? write(before.number) : 'A number from the stand-in carrier’s stock.'}
      of={of}
      onCancel={() => go.officePart('lines')}
      retires={before && { table: 'lines', id: before.id, name: before.name }}
    >
      <FormLine control={control} name="name" label="What it is for" />
      {before ? null : (
        <View style={styles.part}>
          <FormChoice
            control={control}
            name="kind"
            label="Kind of number"
            asStrip
            options={kinds.map((value) => ({ value, word: kindWords[value] }))}
            onChosen={(chosen) => setValue('number', numbersToTake(of.seen, chosen as NumberKind)[0] ?? '')}
          />
          <FormChoice
            control={control}
            name="number"
            label="Number"
            options={numbersToTake(of.seen, kind).map((value) => ({ value, word: write(value) }))}
          />
        </View>
      )}
      <FormChoice
        control={control}
        name="ownerId"
        label="Who has its calls"
        options={lineOwnerChoices(of.seen)}
      />
      <FormTicks control={control} name="also" label="What else it is for" options={also} />
      <FormLever
        control={control}
        name="isKeptToOwner"
        label="Only whose it is, and those they let, may show its number"
      />
      <FormChoice
        control={control}
        name="recording"
        label="Whether its calls are recorded"
        options={recordingChoices}
      />
      <View style={styles.part}>
        <View style={styles.cord}>
          <CordEdge cord={{ hue, stroke }} width={12} />
          <Txt>How its cord is drawn</Txt>
        </View>
        <FormSteps control={control} name="hue" label="Colour" unit="of 5" least={0} most={5} />
        <FormChoice
          control={control}
          name="stroke"
          label="Stroke"
          asStrip
          options={strokes.map((value) => ({ value, word: strokeNames[value] }))}
        />
      </View>
    </FormScreen>
  );
}

const styles = StyleSheet.create({
  part: { gap: space.s },
  cord: { flexDirection: 'row', gap: space.m, alignItems: 'stretch', minHeight: 40 },
});
