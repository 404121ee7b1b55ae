import { StyleSheet, View } from 'react-native';

import { soundChosen, useAppDispatch, useAppSelector, useServices } from '@/state/app';
import { Choice } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

import { ToldWhenAway } from '../../shared/ToldWhenAway';
import { useMicrophone } from './useMicrophone';

const browsersChoice = '';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    stack: { gap: space.m },
    meter: { height: 16, borderWidth: 1, borderColor: colours.edge, backgroundColor: colours.sheet },
    level: { height: '100%', backgroundColor: colours.moss },
    wrong: { borderLeftWidth: 4, borderColor: colours.rowan, paddingLeft: space.m },
  }),
);

/** Where the sound goes and comes from, proved by a level and a tone. */
export function SoundSheet({ onClose }: { onClose: () => void }) {
  const styles = useStyles();
  const { colours } = useTheme();
  const dispatch = useAppDispatch();
  const { player } = useServices();
  const settings = useAppSelector((state) => state.settings);
  const { microphones, speakers, level, problem, start } = useMicrophone(settings);
  const options = (devices: readonly { id: string; name: string }[]) => [
    { value: browsersChoice, word: 'As this device chooses' },
    ...devices.map(({ id, name }) => ({ value: id, word: name })),
  ];
  return (
    <Sheet title="Sound" onClose={onClose}>
      <View style={styles.stack}>
        {problem ? (
          <View role="alert" style={styles.wrong}>
            <Txt colour={colours.rowan}>{problem}</Txt>
          </View>
        ) : null}
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
        <Txt as="small">Microphone</Txt>
        <Choice
          label="Microphone"
          value={settings.microphoneId ?? browsersChoice}
          options={options(microphones)}
          onChoose={(id) => dispatch(soundChosen({ microphoneId: id || null }))}
        />
        <Txt as="small">Earpiece or speaker</Txt>
        <Choice
          label="Earpiece or speaker"
          value={settings.speakerId ?? browsersChoice}
          options={options(speakers)}
          onChoose={(id) => {
            dispatch(soundChosen({ speakerId: id || null }));
            void player?.useSpeaker(id || null);
          }}
        />
        <Plate word="Play a test tone" onPress={() => player?.digit('5')} />
        <Plate
          word="Suppress noise around me"
          pressed={settings.isNoiseSuppressed}
          onPress={() => dispatch(soundChosen({ isNoiseSuppressed: !settings.isNoiseSuppressed }))}
        />
        <ToldWhenAway />
      </View>
    </Sheet>
  );
}
