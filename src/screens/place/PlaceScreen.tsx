import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { ScrollView, StyleSheet, View } from 'react-native';

import { addressForm, addressSchema, addressWords, type Address, type AddressField } from '@/core/setup';
import { addressProblems } from '@/core/setup/changes';
import { formatMoment } from '@/core/shared/time';
import {
  selectMyDeviceId,
  selectMyId,
  selectOffice,
  selectPlaces,
  selectZone,
  useAppDispatch,
  useAppSelector,
  useNow,
} from '@/state/app';
import { selectPlaceOfPhone, setPlace } from '@/state/place';
import { selectRunsOffice } from '@/state/configuration';
import { Choice } from '@/ui/field';
import { Problem } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, useTheme } from '@/ui/tokens';

import { FormPick } from '../office/form/FormPick';
import { countryChoices } from '../office/rules/countries';
import { FormLine } from '../shared/FormLine';
import { useGo } from '../shared/useGo';
import { EverybodysPhones } from './EverybodysPhones';
import { ScreenTitle } from '../shared/ScreenTitle';

const formSchema = addressSchema.superRefine((address, context) => {
  for (const [field, message] of Object.entries(addressProblems(address)))
    context.addIssue({ code: 'custom', path: [field], message });
});

const blank = (country: Address['country']): Address => ({
  ...{ country, street: '', detail: '', locality: '', region: '', postcode: '' },
});

/** Where each of my phones is: help that is called from it is sent there, without a word having to be said. */
export function PlaceScreen() {
  const { colours } = useTheme();
  const go = useGo();
  const now = useNow(60_000);
  const zone = useAppSelector(selectZone);
  const office = useAppSelector(selectOffice);
  const myId = useAppSelector(selectMyId);
  const here = useAppSelector(selectMyDeviceId);
  const [deviceId, setDeviceId] = useState(here);
  const place = useAppSelector((state) => selectPlaceOfPhone(state, deviceId));
  const device = office.devices.get(deviceId);
  const runs = useAppSelector(selectRunsOffice);
  return (
    <ScrollView style={styles.screen} contentContainerStyle={styles.body} tabIndex={0}>
      <View>
        <ScreenTitle>Where help is sent</ScreenTitle>
        <Txt colour={colours.faint}>
          A call to {office.plan.emergency[0]} tells it by itself. Say in the call where you are all the same.
        </Txt>
      </View>
      <Choice
        asStrip
        label="Phone"
        value={deviceId}
        options={office
          .devicesOf(myId)
          .map(({ id, name }) => ({ value: id, word: id === here ? 'This device' : name }))}
        onChoose={setDeviceId}
      />
      <View role="status">
        {place ? (
          <>
            <Txt as="strong">{addressWords(place)}</Txt>
            <Txt as="small">{`Said ${formatMoment(place.at, now, zone)}`}</Txt>
          </>
        ) : (
          <Txt>
            {device?.location
              ? `${device.location}, as the office has it. You have not said it yourself.`
              : 'Nobody has said where it is.'}
          </Txt>
        )}
      </View>
      <PlaceForm key={deviceId} deviceId={deviceId} />
      {runs ? <EverybodysPhones /> : null}
      <Plate word="Office" style={styles.start} onPress={go.office} />
    </ScrollView>
  );
}

function PlaceForm({ deviceId }: { deviceId: string }) {
  const dispatch = useAppDispatch();
  const office = useAppSelector(selectOffice);
  const places = useAppSelector(selectPlaces);
  const place = useAppSelector((state) => selectPlaceOfPhone(state, deviceId));
  const [problem, setProblem] = useState<string | null>(null);
  const { control, handleSubmit, watch, reset } = useForm<Address>({
    resolver: zodResolver(formSchema),
    defaultValues: place ? asAddress(place) : blank(office.plan.homeCountry),
    mode: 'onTouched',
  });
  const { fields } = addressForm(watch('country'));
  const keep = async (address: Address) => {
    const said = await dispatch(setPlace(deviceId, address));
    setProblem(said);
    if (said === null) reset(address);
  };
  return (
    <View style={styles.form}>
      {places.length === 0 ? null : (
        <View role="region" aria-label="Where you were before" style={styles.form}>
          <Txt as="heading" level={2}>
            Where you were before
          </Txt>
          {places.map((each) => (
            <Plate
              key={addressWords(each)}
              word={addressWords(each)}
              label={`It is at ${addressWords(each)}`}
              onPress={() => void keep(each)}
            />
          ))}
        </View>
      )}
      <Txt as="heading" level={2}>
        Another place
      </Txt>
      <FormPick control={control} name="country" label="Country" options={countryChoices()} />
      {fields.map(({ field, label, isOptional }) => (
        <FormLine<Address>
          key={field}
          control={control}
          name={field satisfies AddressField}
          label={isOptional ? `${label} (if there is any)` : label}
        />
      ))}
      <Problem sentence={problem} />
      <Plate kind="main" word="It is there" onPress={() => void handleSubmit(keep)()} />
    </View>
  );
}

const asAddress = ({ country, street, detail, locality, region, postcode }: Address): Address => ({
  ...{ country, street, detail, locality, region, postcode },
});

const styles = StyleSheet.create({
  screen: { flex: 1 },
  body: { padding: space.l, gap: space.l, maxWidth: 640 },
  form: { gap: space.m },
  start: { alignSelf: 'flex-start' },
});
