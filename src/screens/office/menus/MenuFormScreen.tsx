import { useState } from 'react';
import { useFieldArray, useWatch, type Control } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';

import { whereTo, type OfficeSetup } from '@/core/setup';
import { selectOffice, useAppSelector } from '@/state/app';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';

import { FormLine } from '../../shared/FormLine';
import { useGo } from '../../shared/useGo';
import { FormChoice, FormLever, FormSteps } from '../form/fields';
import { FormScreen } from '../form/FormScreen';
import { Opened } from '../form/Opened';
import { useOfficeForm } from '../form/useOfficeForm';
import { asMenuForm, menuEdits, menuFormSchema, spokenMenu, type MenuForm } from './menuForm';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    part: { gap: space.s },
    key: { gap: space.xs, paddingBottom: space.m, borderBottomWidth: 1, borderColor: colours.rule },
    row: { flexDirection: 'row', gap: space.s, alignItems: 'flex-start' },
    digit: { width: 76 },
    to: { flex: 1, minWidth: 0 },
    foot: { flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between', gap: space.s },
    leads: { flex: 1, minWidth: 0 },
    add: { alignSelf: 'flex-start' },
  }),
);

/** A menu of the office, or a new one. */
export function MenuFormScreen() {
  return <Opened part="menus" Form={MenuFormView} gone="That menu is not here any more." />;
}

function MenuFormView({ id }: { id: string }) {
  const go = useGo();
  const [before] = useState(useAppSelector((state) => selectOffice(state).menus.get(id) ?? null));
  const of = useOfficeForm({
    schema: menuFormSchema,
    initial: (setup) => asMenuForm(setup, before),
    edits: (seen, form) => menuEdits(seen, before, form),
    said: ({ name, extension }) =>
      before ? `The menu ${name} is changed.` : `The menu ${name} is here, and is reached at ${extension}.`,
    onDone: () => go.officePart('menus'),
  });
  const styles = useStyles();
  const office = useAppSelector(selectOffice);
  const { control, getValues, setValue } = of.form;
  return (
    <FormScreen
      title={before ? before.name : 'A new menu'}
      about="Callers hear what its keys do, and choose."
      of={of}
      onCancel={() => go.officePart('menus')}
      retires={before && { table: 'menus', id: before.id, name: before.name }}
    >
      <FormLine control={control} name="name" label="What it is called" />
      <FormLine control={control} name="extension" label="Extension" isNumber />
      <FormLine control={control} name="text" label="What it says" lines={4} />
      <Plate
        word="Have it say what its keys do"
        style={styles.add}
        onPress={() => setValue('text', spokenMenu(getValues(), office), { shouldValidate: true })}
      />
      <Greetings control={control} />
      <Languages control={control} />
      <Keys control={control} setup={of.seen} />
      <FormLever control={control} name="dialsExtensions" label="Callers may dial an extension" />
      <FormLine
        control={control}
        name="nameKey"
        label="The key by which callers spell a name; empty for none"
        isNumber
      />
      <FormSteps
        control={control}
        name="waitSeconds"
        label="It waits for a key"
        unit="s"
        least={1}
        most={60}
      />
      <FormSteps control={control} name="turns" label="It speaks" unit="times" least={1} most={5} />
      <FormLine
        control={control}
        name="finishTo"
        label="Where a call goes in which nothing is chosen: an extension or a number; empty for busy tone"
        isNumber
      />
      <FormChoice
        control={control}
        name="keeperId"
        label="Who is told of callers that leave while it speaks"
        options={of.seen.people.map(({ id: value, name, role }) => ({ value, word: name, detail: role }))}
      />
    </FormScreen>
  );
}

/** What it says at certain hours instead, the first that fits. */
function Greetings({ control }: { control: Control<MenuForm> }) {
  const styles = useStyles();
  const { fields, append, remove } = useFieldArray({ control, name: 'greetings' });
  return (
    <View style={styles.part} role="group" aria-label="At certain hours">
      {fields.map(({ id }, at) => (
        <View key={id} style={styles.key}>
          <FormLine
            control={control}
            name={`greetings.${at}.hours`}
            label="When it says something else, such as Mon–Fri 8–17"
          />
          <FormLine control={control} name={`greetings.${at}.text`} label="What it says then" lines={4} />
          <Plate
            word="Take away"
            label={`Take away: what it says then, number ${at + 1}`}
            style={styles.add}
            onPress={() => remove(at)}
          />
        </View>
      ))}
      <Plate
        word="Say something else at certain hours"
        style={styles.add}
        onPress={() => append({ hours: '', text: '' })}
      />
    </View>
  );
}

/** What it says to whoever chooses another language by a key. */
function Languages({ control }: { control: Control<MenuForm> }) {
  const styles = useStyles();
  const { fields, append, remove } = useFieldArray({ control, name: 'languages' });
  return (
    <View style={styles.part} role="group" aria-label="Other languages">
      {fields.map(({ id }, at) => (
        <View key={id} style={styles.key}>
          <View style={styles.row}>
            <View style={styles.digit}>
              <FormLine control={control} name={`languages.${at}.key`} label="Key" isNumber />
            </View>
            <View style={styles.to}>
              <FormLine control={control} name={`languages.${at}.language`} label={`Language ${at + 1}`} />
            </View>
          </View>
          <FormLine
            control={control}
            name={`languages.${at}.text`}
            label={`What it says in language ${at + 1}`}
            lines={4}
          />
          <Plate
            word="Take away"
            label={`Take away language ${at + 1}`}
            style={styles.add}
            onPress={() => remove(at)}
          />
        </View>
      ))}
      <Plate
        word="Speak another language too"
        style={styles.add}
        onPress={() => append({ key: '*', language: '', text: '' })}
      />
    </View>
  );
}

/** Each key with where it leads, said by name. */
function Keys({ control, setup }: { control: Control<MenuForm>; setup: OfficeSetup }) {
  const styles = useStyles();
  const office = useAppSelector(selectOffice);
  const { fields, append, remove } = useFieldArray({ control, name: 'keys' });
  const keys = useWatch({ control, name: 'keys' });
  const next = '1234567890*#'.split('').find((key) => !keys.some((each) => each.key === key)) ?? '';
  const taken = setup.people[0]?.extension ?? '201';
  return (
    <View style={styles.part} role="group" aria-label="Keys">
      <Txt as="heading" level={2}>
        Keys
      </Txt>
      {fields.map(({ id }, at) => {
        const { key = '', to = '' } = keys[at] ?? {};
        const leads =
          to.trim() === '' ? `An extension such as ${taken}, or a number` : whereTo(to.trim(), office);
        return (
          <View key={id} style={styles.key}>
            <View style={styles.row}>
              <View style={styles.digit}>
                <FormLine control={control} name={`keys.${at}.key`} label="Key" isNumber />
              </View>
              <View style={styles.to}>
                <FormLine control={control} name={`keys.${at}.to`} label={`Key ${key} leads to`} isNumber />
              </View>
            </View>
            <View style={styles.foot}>
              <View style={styles.leads}>
                <Txt as="small">{leads}</Txt>
              </View>
              <Plate word="Take away" label={`Take away key ${key}`} onPress={() => remove(at)} />
            </View>
          </View>
        );
      })}
      <Plate word="Another key" style={styles.add} onPress={() => append({ key: next, to: '' })} />
    </View>
  );
}
