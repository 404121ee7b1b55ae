import { useEffect } from 'react';
import { Controller, useWatch, type Control } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';

import { handOutOrders, lastLevel, queueMusics, type OfficeSetup, type QueueMusic } from '@/core/setup';
import { useServices } from '@/state/app';
import { Stepper } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

import { FormLine } from '../../shared/FormLine';
import { orderWords } from '../../queues/queueWords';
import { FormChoice, FormLever, FormSteps } from '../form/fields';
import type { TeamForm } from './teamForm';

interface QueueFieldsProps {
  control: Control<TeamForm>;
  seen: OfficeSetup;
}

/** How a team's calls wait: to whom they go, what callers hear, and where they go when it takes too long. */
export function QueueFields({ control, seen }: QueueFieldsProps) {
  const order = useWatch({ control, name: 'order' });
  return (
    <>
      <FormChoice
        control={control}
        name="order"
        label="Who is rung for a call"
        options={handOutOrders.map((value) => ({ value, ...orderWords[value] }))}
      />
      {order === 'byLevel' ? <Levels control={control} seen={seen} /> : null}
      <FormSteps
        control={control}
        name="ringSeconds"
        label="Each member rings for"
        unit="s"
        least={5}
        most={120}
      />
      <FormSteps
        {...{ control, name: 'wrapUpSeconds', label: 'After each call, time to write it up', unit: 's' }}
        {...{ least: 0, most: 3600 }}
      />
      <FormSteps
        control={control}
        name="mostWaiting"
        label="At most wait"
        unit="callers"
        least={1}
        most={500}
      />
      <FormSteps
        {...{ control, name: 'longestWaitMinutes', label: 'Nobody waits longer than', unit: 'min' }}
        {...{ least: 1, most: 120 }}
      />
      <Txt as="heading" level={2}>
        What callers hear
      </Txt>
      <FormLine control={control} name="welcome" label="First, if anything" lines={3} />
      <MusicField control={control} />
      <FormLever control={control} name="tellsPlace" label="Their place is told" />
      <FormLever
        control={control}
        name="tellsWait"
        label="How long it takes is told, reckoned from calls so far"
      />
      <FormSteps
        {...{ control, name: 'tellEverySeconds', label: 'Told again every', unit: 's', least: 10, most: 600 }}
      />
      <FormLever
        {...{ control, name: 'offersCallBack', label: 'By key 1 they are called back in their turn' }}
      />
      <Txt as="heading" level={2}>
        Where they go instead
      </Txt>
      <Txt as="small">An extension or a number each; empty: as a call that nobody takes.</Txt>
      <FormLine control={control} name="fullFinish" label="While no more can wait" />
      <FormLine control={control} name="longFinish" label="After the longest wait" />
      <FormLine control={control} name="nobodyFinish" label="While nobody is signed in" />
    </>
  );
}

const musicWords: Record<QueueMusic, string> = {
  ...{ valley: 'Valley', rain: 'Rain on slate', becks: 'Three becks', none: 'Nothing' },
};

/** Which tune, to be heard before it is chosen. */
function MusicField({ control }: { control: Control<TeamForm> }) {
  const { player } = useServices();
  const music = useWatch({ control, name: 'music' });
  useEffect(() => () => void player?.hearTune(null), [player]);
  return (
    <View style={{ gap: space.s }}>
      <FormChoice
        control={control}
        name="music"
        label="Between what is said"
        asStrip
        options={queueMusics.map((value) => ({ value, word: musicWords[value] }))}
        onChosen={() => void player?.hearTune(null)}
      />
      {music === 'none' ? null : (
        <Plate
          word={`Hear ${musicWords[music]}`}
          style={styles.aside}
          onPress={() => void player?.hearTune(music)}
        />
      )}
    </View>
  );
}

/** The level of each member: 1 is asked first. */
function Levels({ control, seen }: QueueFieldsProps) {
  const memberIds = useWatch({ control, name: 'memberIds' });
  return (
    <Controller
      control={control}
      name="levels"
      render={({ field: { value, onChange } }) => (
        <View style={{ gap: space.s }}>
          {memberIds.map((id) => (
            <Stepper
              key={id}
              {...{ unit: '', least: 1, most: lastLevel, tooSmall: 'The first level is 1.' }}
              label={`Level of ${seen.people.find((person) => person.id === id)?.name ?? 'somebody'}`}
              value={value.find(({ personId }) => personId === id)?.level ?? lastLevel}
              onChange={(level) =>
                onChange([...value.filter(({ personId }) => personId !== id), { personId: id, level }])
              }
            />
          ))}
        </View>
      )}
    />
  );
}

const styles = StyleSheet.create({ aside: { alignSelf: 'flex-start' } });
