import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { ScrollView, StyleSheet, View } from 'react-native';

import { homeCountries } from '@/core/numbers/numbering';
import { selectOffice, useAppSelector } from '@/state/app';
import { beginOffice, ownOfficeName } from '@/state/offices';
import { Problem } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

import { FormPick } from './form/FormPick';
import { countryChoices } from './rules/countries';
import { FormLine } from '../shared/FormLine';
import { useGo } from '../shared/useGo';
import { asNewOffice, beginFormSchema, blankForm, exampleOf, type BeginForm } from './beginForm';
import { useOpenOffice } from './useOpenOffice';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    screen: { flex: 1 },
    body: { padding: space.l, gap: space.l, maxWidth: 640 },
    foot: {
      flexDirection: 'row',
      gap: space.m,
      padding: space.m,
      borderTopWidth: 1,
      borderColor: colours.rule,
      backgroundColor: colours.sheet,
    },
    grow: { flex: 1 },
  }),
);

const deviceZone = () => Intl.DateTimeFormat().resolvedOptions().timeZone;
/** The country whose time this device has, as far as the browser tells and Cendro knows it. */
const deviceCountry = () => homeCountries.find((country) => zonesOf(country).includes(deviceZone())) ?? 'GB';
/** Not every browser knows them yet (ECMA-402, Intl.Locale Info). */
const zonesOf = (region: string) =>
  (new Intl.Locale('en', { region }) as { getTimeZones?: () => string[] }).getTimeZones?.() ?? [];

/** An office of one's own, with one person and one line. What is wrong is said at its field; the sample stays as it is. */
export function BeginScreen() {
  const styles = useStyles();
  const { colours } = useTheme();
  const go = useGo();
  const office = useAppSelector(selectOffice);
  const open = useOpenOffice();
  const [isBusy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const { control, handleSubmit, formState, resetField } = useForm<BeginForm>({
    resolver: zodResolver(beginFormSchema),
    defaultValues: blankForm(deviceZone(), deviceCountry()),
    mode: 'onTouched',
  });
  const name = ownOfficeName();
  const begin = async (form: BeginForm) => {
    if (open.refusal !== null) return setProblem(open.refusal);
    setBusy(true);
    setProblem(null);
    const answer = await beginOffice(asNewOffice(form)).catch(() => 'noRoom' as const);
    if (answer === 'begun') return open.now();
    setBusy(false);
    if (answer === 'noRoom')
      setProblem('It can’t be kept on this device now, so nothing was changed. Make room, and try again.');
  };
  if (name !== null)
    return (
      <View style={styles.body}>
        <Txt as="title" level={1}>
          {name} is here already
        </Txt>
        <Txt>This device keeps the sample and one office of your own.</Txt>
        <Plate kind="main" word="Office" onPress={go.office} />
      </View>
    );
  return (
    <View style={styles.screen}>
      <ScrollView contentContainerStyle={styles.body} tabIndex={0}>
        <View>
          <Txt as="title" level={1}>
            Begin an office of your own
          </Txt>
          <Txt colour={colours.faint}>
            With you in it, one line, and nothing behind it. {office.setup.name} stays on this device as it
            is, and you can go back to it.
          </Txt>
        </View>
        <FormLine control={control} name="name" label="What the office is called" />
        <FormLine control={control} name="personName" label="Your name" />
        <FormLine control={control} name="extension" label="Your extension" isNumber />
        <FormPick
          control={control}
          name="country"
          label="Country"
          options={countryChoices()}
          onChosen={(chosen) => {
            if (!formState.dirtyFields.written) resetField('written', { defaultValue: exampleOf(chosen) });
          }}
        />
        <FormLine control={control} name="lineName" label="What the line is for" />
        <View>
          <FormLine control={control} name="written" label="The line’s number" isNumber />
          <Txt as="small">
            No carrier is behind it: whoever calls it is played by Outside. Numbers are read as they are
            written in the country chosen.
          </Txt>
        </View>
        <FormLine control={control} name="zone" label="Time zone" />
        {problem === null ? null : <Problem sentence={problem} />}
      </ScrollView>
      <View style={styles.foot}>
        <Plate word="Cancel" onPress={go.office} />
        <Plate
          kind="main"
          word={isBusy ? 'Beginning …' : 'Begin'}
          style={styles.grow}
          disabled={isBusy}
          onPress={() => void handleSubmit(begin)()}
        />
      </View>
    </View>
  );
}
