import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import {
  alertsChosen,
  askToTellElsewhere,
  canTellElsewhere,
  tellingElsewhereChosen,
  useAppDispatch,
  useAppSelector,
} from '@/state/app';
import { alertKinds, type AlertKind } from '@/state/storage';
import { Ticks } from '@/ui/field';
import { Problem } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, useTheme } from '@/ui/tokens';

const alertWords: Record<AlertKind, string> = {
  calls: 'calls, with Answer and Refuse',
  texts: 'texts',
  voicemails: 'voicemails',
  faxes: 'faxes',
  colleagues: 'a colleague who is free again',
};

/** Whether the system tells of calls while Cendro is not in front; the browser's leave is asked for here. */
export function ToldWhenAway() {
  const { colours } = useTheme();
  const dispatch = useAppDispatch();
  const { tellsElsewhere: isOn, alerts } = useAppSelector((state) => state.settings);
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
      {isOn ? (
        <Ticks
          label="Of what"
          options={alertKinds.map((kind) => ({ value: kind, word: alertWords[kind] }))}
          chosen={alertKinds.filter((kind) => alerts[kind])}
          onChange={(chosen) =>
            dispatch(
              alertsChosen(
                Object.fromEntries(alertKinds.map((kind) => [kind, chosen.includes(kind)])) as typeof alerts,
              ),
            )
          }
        />
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
