import { StyleSheet, View } from 'react-native';

import { warningOf } from '@/core/quality';
import {
  isActive,
  selectMyOtherDevices,
  selectQuality,
  sendAndSay,
  useAppDispatch,
  useAppSelector,
  type CallView,
} from '@/state/app';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    line: { paddingHorizontal: space.l, paddingTop: space.s },
    warning: {
      marginHorizontal: space.l,
      marginTop: space.s,
      padding: space.m,
      gap: space.s,
      backgroundColor: colours.sheet,
      borderWidth: 2,
      borderColor: colours.saffron,
    },
  }),
);

/** How the call sounds, from the network; and the way out before it hurts. */
export function QualityLine({ view }: { view: CallView }) {
  const styles = useStyles();
  const { colours } = useTheme();
  const dispatch = useAppDispatch();
  const trend = useAppSelector((state) => state.office.trend);
  const quality = useAppSelector(selectQuality);
  const mobile = useAppSelector((state) => selectMyOtherDevices(state).find(({ kind }) => kind === 'mobile'));
  if (!trend || !isActive(view) || view.phase !== 'talking') return null;
  const warning = warningOf(trend);
  const figures = `MOS ${trend.mos.toFixed(1)} · R ${Math.round(quality.R)} · ${Math.round(quality.delayMs)} ms · loss ${quality.lossPercent.toFixed(1)} %`;
  const isMoving = view.call.legs.some(
    ({ state, replaces }) => state === 'alerting' && replaces === view.me.legId,
  );
  if (warning === 'none' || isMoving) {
    return (
      <Txt as="mono" colour={colours.faint} style={styles.line}>
        {isMoving ? `The ${mobile?.name ?? 'other phone'} rings: take it up there` : figures}
      </Txt>
    );
  }
  return (
    <View style={styles.warning} role="alert">
      <Txt as="strong">
        {warning === 'now' ? 'The network is too poor to be understood' : 'The network is getting worse'}
      </Txt>
      <Txt as="mono">{figures}</Txt>
      {mobile && !view.call.emergency ? (
        <Plate
          kind="main"
          word={`Go on at my ${mobile.name}`}
          onPress={() =>
            void dispatch(
              sendAndSay(
                { type: 'move', legId: view.me.legId, to: { deviceId: mobile.id }, atOnce: false },
                `The ${mobile.name} rings. Take it up there, and the call is there.`,
              ),
            )
          }
        />
      ) : null}
    </View>
  );
}
