import { zodResolver } from '@hookform/resolvers/zod';
import { useMemo, useState } from 'react';
import { Controller, useFieldArray, useForm, type Control } from 'react-hook-form';
import { ScrollView, StyleSheet, View } from 'react-native';

import type { JoinedContact } from '@/core/people/contacts';
import { actDone, selectOffice, selectWrite, useAppDispatch, useAppSelector, useServices } from '@/state/app';
import { keepPicture } from '@/state/pictures';
import { addContact, changeContact } from '@/state/people';
import { Choice } from '@/ui/field';
import { Problem } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';

import { dataUrl, shrinkPicture } from '../looseEnds/shrinkPicture';
import { pickBlob } from '../shared/files';
import { whetherHere } from '../shared/afterPaint';
import { FormLine } from '../shared/FormLine';
import { useGo } from '../shared/useGo';
import { asForm, contactFormSchema, fromForm, numberLabels, type ContactForm } from './contactForm';
import { Photo } from './Photo';
import { ScreenTitle } from '../shared/ScreenTitle';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    screen: { flex: 1, backgroundColor: colours.paper },
    body: { padding: space.l, gap: space.l, maxWidth: 640 },
    part: { gap: space.s },
    row: { gap: space.s, paddingBottom: space.m, borderBottomWidth: 1, borderColor: colours.rule },
    photo: { flexDirection: 'row', alignItems: 'center', gap: space.m, flexWrap: 'wrap' },
    foot: {
      padding: space.l,
      gap: space.s,
      flexDirection: 'row',
      backgroundColor: colours.sheet,
      borderTopWidth: 1,
      borderColor: colours.ink,
    },
    grow: { flex: 1 },
    aside: { alignSelf: 'flex-start' },
  }),
);

/** Photos are shown small. */
const photoLimits = { mostBytes: 60_000, sides: [320, 240, 160] };

interface ContactFormViewProps {
  /** null: somebody new. */
  contact: JoinedContact | null;
  blank: ContactForm;
}

/** Who somebody is and how they are reached. What is wrong is said at its field; nothing is kept until all is right. */
export function ContactFormView({ contact, blank }: ContactFormViewProps) {
  const styles = useStyles();
  const go = useGo();
  const dispatch = useAppDispatch();
  const { plan } = useAppSelector(selectOffice);
  const write = useAppSelector(selectWrite);
  const { control, handleSubmit } = useForm<ContactForm>({
    resolver: zodResolver(useMemo(() => contactFormSchema(plan), [plan])),
    defaultValues: contact ? asForm(contact, write) : blank,
    mode: 'onTouched',
  });
  const keep = async (form: ContactForm) => {
    const fields = fromForm(form, plan);
    const isHere = whetherHere();
    // It is written before it is said to be.
    if (contact) await dispatch(changeContact(contact, fields));
    const id = contact ? contact.id : await dispatch(addContact(fields));
    dispatch(actDone(`${fields.name} is ${contact ? 'changed' : 'in the directory'}.`));
    if (isHere()) go.person(`contact:${id}`);
  };
  const isTold = contact?.cards.some(({ sourceId }) => sourceId !== 'own') ?? false;
  return (
    <View style={styles.screen}>
      <ScrollView contentContainerStyle={styles.body} tabIndex={0}>
        <View>
          <ScreenTitle>{contact ? `Change ${contact.name}` : 'Somebody new'}</ScreenTitle>
          {isTold ? (
            <Txt as="small">What you change here stays, whatever their source says, until you reset it.</Txt>
          ) : null}
        </View>
        <PhotoPart control={control} />
        <FormLine control={control} name="name" label="Name" />
        <FormLine control={control} name="firm" label="Firm or place" />
        <NumbersPart control={control} />
        <ListPart control={control} name="mails" word="mail address" title="Mail" />
        <ListPart control={control} name="places" word="address" title="Addresses" />
        <FormLine control={control} name="groups" label="Groups, separated by commas" />
        <FormLine control={control} name="note" label="Note" lines={3} />
      </ScrollView>
      <View style={styles.foot}>
        <Plate
          word="Cancel"
          onPress={() => (contact ? go.person(`contact:${contact.id}`) : go.directory())}
        />
        <Plate kind="main" word="Keep" style={styles.grow} onPress={() => void handleSubmit(keep)()} />
      </View>
    </View>
  );
}

interface PartProps {
  control: Control<ContactForm>;
}

function NumbersPart({ control }: PartProps) {
  const styles = useStyles();
  const { fields, append, remove } = useFieldArray({ control, name: 'numbers' });
  return (
    <View style={styles.part} role="group" aria-label="Numbers">
      <Txt as="heading" level={2}>
        Numbers
      </Txt>
      {fields.map(({ id }, at) => (
        <View key={id} style={styles.row}>
          <FormLine
            control={control}
            name={`numbers.${at}.written`}
            label={`Number ${at + 1}, with an extension if there is one`}
            numeric
          />
          <Controller
            control={control}
            name={`numbers.${at}.label`}
            render={({ field: { value, onChange } }) => (
              <ScrollView horizontal>
                <Choice
                  asStrip
                  label={`What number ${at + 1} is`}
                  value={value}
                  options={[...new Set([...numberLabels, value])].map((word) => ({ value: word, word }))}
                  onChoose={onChange}
                />
              </ScrollView>
            )}
          />
          <Plate
            word="Remove number"
            label={`Remove number, ${at + 1}`}
            style={styles.aside}
            onPress={() => remove(at)}
          />
        </View>
      ))}
      <Plate word="Another number" onPress={() => append({ label: 'work', written: '' })} />
    </View>
  );
}

interface ListPartProps extends PartProps {
  name: 'mails' | 'places';
  word: string;
  title: string;
}

function ListPart({ control, name, word, title }: ListPartProps) {
  const styles = useStyles();
  const { fields, append, remove } = useFieldArray({ control, name });
  return (
    <View style={styles.part} role="group" aria-label={title}>
      <Txt as="heading" level={2}>
        {title}
      </Txt>
      {fields.map(({ id }, at) => (
        <View key={id} style={styles.row}>
          <FormLine control={control} name={`${name}.${at}.value`} label={`${title} ${at + 1}`} />
          <Plate
            word="Remove"
            label={`Remove, ${title.toLowerCase()} ${at + 1}`}
            style={styles.aside}
            onPress={() => remove(at)}
          />
        </View>
      ))}
      <Plate word={`Add a${word.startsWith('a') ? 'n' : ''} ${word}`} onPress={() => append({ value: '' })} />
    </View>
  );
}

function PhotoPart({ control }: PartProps) {
  const styles = useStyles();
  const { vault, clock } = useServices();
  const [problem, setProblem] = useState<string | null>(null);
  return (
    <Controller
      control={control}
      name="photo"
      render={({ field: { value, onChange } }) => {
        const choose = async () => {
          const file = await pickBlob('image/*');
          if (!file) return;
          const shrunk = await shrinkPicture(file, photoLimits);
          setProblem(shrunk.ok ? null : shrunk.sentence);
          if (shrunk.ok)
            onChange(await keepPicture(vault, `photo-${clock.now()}`, await dataUrl(shrunk.file)));
        };
        return (
          <View style={styles.photo}>
            {value === null ? null : <Photo photo={value} size={72} />}
            <Plate word={value === null ? 'Add a photo' : 'Another photo'} onPress={() => void choose()} />
            {value === null ? null : <Plate word="Without the photo" onPress={() => onChange(null)} />}
            <Problem sentence={problem} isSmall />
          </View>
        );
      }}
    />
  );
}
