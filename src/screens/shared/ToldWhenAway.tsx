import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import {
  askToTellElsewhere,
  canTellElsewhere,
  tellingElsewhereChosen,
  useAppDispatch,
  useAppSelector,
} from '@/state/app';
import { Problem } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, useTheme } from '@/ui/tokens';

/** Whether the system tells of calls while Cendro is not in front; the browser's leave is asked for here. */
export function ToldWhenAway() {
  const { colours } = useTheme();
  const dispatch = useAppDispatch();
  const isOn = useAppSelector((state) => state.settings.tellsElsewhere);
  const [isRefused, setRefused] = useState(false);
  const change = async () => {
    const willBeOn = !isOn && (await askToTellElsewhere());
    setRefused(!isOn && !willBeOn);
    dispatch(tellingElsewhereChosen(willBeOn));
  };
  return (
    <View style={styles.section}>
      <Txt as="heading" level={2}>
        While Cendro is not in front
      </Txt>
      <Txt colour={colours.faint}>
        {canTellElsewhere()
          ? 'The system tells you of calls, with Answer and Refuse, and of voicemails and texts.'
          : 'This browser can’t tell you of calls while another tab is in front.'}
      </Txt>
      {canTellElsewhere() ? (
        <Plate word="Tell me of calls" pressed={isOn} onPress={() => void change()} style={styles.plate} />
      ) : null}
      <Problem
        sentence={
          isRefused
            ? 'The browser was not allowed to: allow notifications for this page, then try again.'
            : null
        }
      />
    </View>
  );
}

const styles = StyleSheet.create({
  section: { gap: space.s },
  plate: { alignSelf: 'flex-start' },
});
