import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';

import {
  callHabitsChosen,
  asksShownChosen,
  clockStyleChosen,
  diallingChosen,
  handChosen,
  selectCallerChoices,
  selectCallHabits,
  selectClockStyle,
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
  const { colours } = useTheme();
  const { theme, textSize, hand } = useAppSelector((state) => state.settings);
  const calls = useAppSelector(selectCallHabits);
  const { enterCalls, writing } = useAppSelector(selectDialling);
  const { asks } = useAppSelector(selectCallerChoices);
  const clockStyle = useAppSelector(selectClockStyle);
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
      <Habit title="Your hand" isOfDevice>
        <Choice
          asStrip
          label="Under which thumb acts lie"
          value={hand}
          options={[
            { value: 'right', word: 'The right thumb' },
            { value: 'left', word: 'The left thumb' },
          ]}
          onChoose={(chosen) => dispatch(handChosen(chosen))}
        />
      </Habit>
      <Habit title="Calls">
        <Plate
          word="A second call may ring during a call"
          pressed={calls.waiting}
          onPress={() => dispatch(callHabitsChosen({ waiting: !calls.waiting }))}
        />
        <Plate
          word="It is taken by itself when the first one ends"
          pressed={calls.takesWaiting}
          disabled={!calls.waiting}
          onPress={() => dispatch(callHabitsChosen({ takesWaiting: !calls.takesWaiting }))}
        />
        <Plate
          word="Nothing rings in a meeting, but for urgent lines"
          pressed={calls.quietInMeetings}
          onPress={() => dispatch(callHabitsChosen({ quietInMeetings: !calls.quietInMeetings }))}
        />
        <Plate
          word="A call that begins comes to the front"
          pressed={calls.comes}
          onPress={() => dispatch(callHabitsChosen({ comes: !calls.comes }))}
        />
        <Txt as="small" colour={colours.faint}>
          A call ends by itself when the other side hangs up.
        </Txt>
      </Habit>
      <Habit title="Times of day">
        <Choice
          asStrip
          label="How times of day are written"
          value={clockStyle}
          options={[
            { value: '24', word: '16:40' },
            { value: '12', word: '4:40 pm' },
          ]}
          onChoose={(chosen) => {
            dispatch(clockStyleChosen(chosen));
            go.choice('Times of day');
          }}
        />
      </Habit>
      <Habit title="Ring tones" isOfDevice>
        <Plate word="Choose ring tones" onPress={go.tones} />
      </Habit>
      <Habit title="The connection" isOfDevice>
        <Plate word="Test how calls sound from here" onPress={go.connection} />
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
          word="Ask before each call whether my number is shown"
          pressed={asks}
          onPress={() => dispatch(asksShownChosen(!asks))}
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
