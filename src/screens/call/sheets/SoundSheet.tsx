import { StyleSheet, View } from 'react-native';

import type { NoiseStrength } from '@/core/shared/sound';
import { soundChosen, useAppDispatch, useAppSelector, useServices } from '@/state/app';
import { deviceNow, type SoundDevice } from '@/office/sound';
import { Choice } from '@/ui/field';
import { Problem } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';

import { ToldWhenAway } from '../../shared/ToldWhenAway';
import { ThreeSeconds } from './ThreeSeconds';
import { useMicrophone } from './useMicrophone';

const noneChosen = '';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    stack: { gap: space.m },
    meter: { height: 16, borderWidth: 1, borderColor: colours.edge, backgroundColor: colours.sheet },
    level: { height: '100%', backgroundColor: colours.moss },
  }),
);

const noiseChoices: { value: NoiseStrength; word: string; detail: string }[] = [
  { value: 'off', word: 'Not at all', detail: 'as it is' },
  { value: 'light', word: 'Lightly', detail: 'an office, a room' },
  { value: 'strong', word: 'Strongly', detail: 'wind, a fan, a pump' },
];

/** Where the sound goes and comes from, and where it rings; proved by a level, a tone, and one’s own voice. */
export function SoundSheet({ onClose }: { onClose: () => void }) {
  const styles = useStyles();
  const dispatch = useAppDispatch();
  const { player } = useServices();
  const settings = useAppSelector((state) => state.settings);
  const { microphones, speakers, level, problem, start } = useMicrophone(settings);
  const devicesChoice = (
    which: 'microphone' | 'speaker' | 'ringer',
    label: string,
    there: readonly SoundDevice[],
    usual: string,
  ) => {
    const chosen = settings[which];
    const now = deviceNow(chosen, there);
    // What was chosen, and is not plugged in, is used again as soon as it is.
    const missing =
      chosen !== null && now === null ? [{ ...chosen, name: chosen.name || 'The one you chose' }] : [];
    return (
      <>
        <Txt as="small">{label}</Txt>
        <Choice
          label={label}
          value={(now ?? chosen)?.id ?? noneChosen}
          options={[
            { value: noneChosen, word: usual },
            ...there.map(({ id, name }) => ({ value: id, word: name })),
            ...missing.map(({ id, name }) => ({ value: id, word: name, detail: 'not plugged in now' })),
          ]}
          onChoose={(id) =>
            dispatch(soundChosen({ [which]: [...there, ...missing].find((each) => each.id === id) ?? null }))
          }
        />
      </>
    );
  };
  return (
    <Sheet title="Sound" onClose={onClose}>
      <View style={styles.stack}>
        <Problem sentence={problem} />
        {level === null ? (
          <Plate word="Try the microphone" onPress={() => void start()} />
        ) : (
          <View>
            <Txt as="small">Speak: the bar has to move</Txt>
            <View
              style={styles.meter}
              role="meter"
              aria-label="Microphone level"
              aria-valuenow={Math.round(level * 100)}
              aria-valuemin={0}
              aria-valuemax={100}
            >
              <View style={[styles.level, { width: `${Math.round(level * 100)}%` }]} />
            </View>
          </View>
        )}
        <ThreeSeconds />
        {devicesChoice('microphone', 'Microphone', microphones, 'As this device chooses')}
        {devicesChoice('speaker', 'Earpiece or speaker', speakers, 'As this device chooses')}
        <Plate word="Play a test tone" onPress={() => player?.digit('5')} />
        {devicesChoice('ringer', 'Where it rings', speakers, 'Where you hear')}
        <Txt as="small">Noise around you is taken out of what you send</Txt>
        <Choice
          label="Noise around you is taken out"
          value={settings.noise}
          options={noiseChoices}
          onChoose={(noise) => dispatch(soundChosen({ noise }))}
        />
        <ToldWhenAway />
      </View>
    </Sheet>
  );
}
