import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';

import {
  diallingChosen,
  selectDialling,
  selectOffice,
  textSizeChosen,
  themeChosen,
  useAppDispatch,
  useAppSelector,
} from '@/state/app';
import { Choice } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, useTheme } from '@/ui/tokens';

import { useGo } from '../shared/useGo';

const textSizes = [
  { value: '100', word: 'As the browser' },
  { value: '115', word: 'Larger' },
  { value: '135', word: 'Large' },
  { value: '165', word: 'Very large' },
  { value: '200', word: 'Twice' },
];

/** How somebody likes the app: what stays on this device, and what goes with them to others. */
export function HabitsPart() {
  const dispatch = useAppDispatch();
  const go = useGo();
  const { theme, textSize } = useAppSelector((state) => state.settings);
  const { enterCalls, writing } = useAppSelector(selectDialling);
  const { plan } = useAppSelector(selectOffice);
  return (
    <>
      <Habit title="Light and dark" isOfDevice>
        <Choice
          label="Light and dark"
          value={theme}
          options={[
            { value: 'device', word: 'As this device' },
            { value: 'light', word: 'Light', detail: 'for sunlight' },
            { value: 'dark', word: 'Dark', detail: 'for the van at night' },
          ]}
          onChoose={(choice) => dispatch(themeChosen(choice))}
        />
      </Habit>
      <Habit title="Size of text" isOfDevice>
        <Choice
          asStrip
          label="Size of text"
          value={String(textSize)}
          options={textSizes}
          onChoose={(size) => dispatch(textSizeChosen(Number(size)))}
        />
      </Habit>
      <Habit title="Ring tones" isOfDevice>
        <Plate word="Choose ring tones" onPress={go.tones} />
      </Habit>
      <Habit title="Numbers and dialling">
        <Choice
          label="How numbers are written"
          value={writing}
          options={[
            { value: 'local', word: 'As at home', detail: 'with the country in front only abroad' },
            {
              value: 'international',
              word: 'With the country',
              detail: `+${plan.homeCallingCode} and so on, all of them`,
            },
          ]}
          onChoose={(chosen) => dispatch(diallingChosen({ writing: chosen }))}
        />
        <Plate
          word="Enter calls what is typed in Dial"
          pressed={enterCalls}
          onPress={() => dispatch(diallingChosen({ enterCalls: !enterCalls }))}
        />
      </Habit>
    </>
  );
}

function Habit({
  title,
  isOfDevice = false,
  children,
}: {
  title: string;
  isOfDevice?: boolean;
  children: ReactNode;
}) {
  const { colours } = useTheme();
  return (
    <View style={styles.part} role="region" aria-label={title}>
      <Txt as="heading" level={2}>
        {title}
      </Txt>
      <Txt as="small" colour={colours.faint}>
        {isOfDevice ? 'On this device.' : 'Goes with you to all your devices.'}
      </Txt>
      {children}
    </View>
  );
}

const styles = StyleSheet.create({ part: { gap: space.s } });
