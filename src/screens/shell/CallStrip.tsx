import { usePathname } from 'expo-router';
import { Pressable, StyleSheet, View } from 'react-native';

import { formatDuration } from '@/core/shared/time';
import {
  canTakeBack,
  isActive,
  nameOfCall,
  selectAtMyOtherPhones,
  selectCallBacks,
  selectHandedOver,
  selectParked,
  selectRingingAtColleagues,
  selectTaken,
  useAppSelector,
  useNow,
} from '@/state/app';
import { CordEdge } from '@/ui/cord';
import { Txt } from '@/ui/text';
import { space, target, themed, useTheme } from '@/ui/tokens';

import { handedWords } from '../call/handedWords';
import { phaseWord, theyHear } from '../shared/callWords';
import { useGo } from '../shared/useGo';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    strip: {
      flexDirection: 'row',
      minHeight: target + 8,
      backgroundColor: colours.night,
      borderTopWidth: 2,
      borderColor: colours.saffron,
    },
    words: {
      flex: 1,
      minWidth: 0,
      paddingHorizontal: space.m,
      paddingVertical: space.xs,
      justifyContent: 'center',
    },
    side: { justifyContent: 'center', alignItems: 'flex-end', paddingHorizontal: space.l },
  }),
);

/** The live call, docked on every screen but its own. */
export function CallStrip() {
  const styles = useStyles();
  const { colours } = useTheme();
  const go = useGo();
  const pathname = usePathname();
  const now = useNow();
  const calls = useAppSelector(selectTaken);
  const parked = useAppSelector(selectParked).length;
  const shown = calls.find(isActive) ?? calls[0];
  if (pathname === '/call') return null;
  if (!shown) return <WaitingStrip />;
  const [other] = shown.others;
  const more = calls.length - 1;
  const hears = other ? theyHear(other, shown) : '';
  return (
    <Pressable role="button" onPress={go.call} style={styles.strip}>
      <CordEdge cord={shown.line?.cord ?? null} onNight />
      <View style={styles.words}>
        <Txt as="strong" lines={1} colour={colours.onNight}>
          {nameOfCall(shown)}
        </Txt>
        <Txt as="small" lines={1} colour={colours.faintOnNight}>
          {shown.phase === 'talking' ? hears : phaseWord(shown)}
          {more > 0 ? ` · ${more} more` : ''}
          {parked > 0 ? ` · ${parked} parked` : ''}
        </Txt>
      </View>
      <View style={styles.side}>
        <Txt as="mono" colour={colours.onNight}>
          {formatDuration(now - shown.since)}
        </Txt>
        <Txt as="small" colour={colours.faintOnNight}>
          Back to call
        </Txt>
      </View>
    </Pressable>
  );
}

/** Nobody is on the line here, but something waits elsewhere. */
function WaitingStrip() {
  const styles = useStyles();
  const { colours } = useTheme();
  const go = useGo();
  const now = useNow();
  const [parked] = useAppSelector(selectParked);
  const [mine] = useAppSelector(selectAtMyOtherPhones);
  const [ringing] = useAppSelector(selectRingingAtColleagues);
  const [waiting] = useAppSelector(selectCallBacks);
  const [sent] = useAppSelector(selectHandedOver).filter((view) => canTakeBack(view, now));
  const [name, words, since] = sent
    ? [sent.name, handedWords(sent, now), sent.at]
    : parked
      ? [parked.name, `parked in slot ${parked.slot}`, parked.since]
      : mine
        ? [
            mine.name,
            mine.isRinging ? `your ${mine.deviceName} rings` : `on your ${mine.deviceName}`,
            mine.since,
          ]
        : ringing
          ? [ringing.callerName, `rings at ${ringing.colleagueName}`, ringing.since]
          : waiting
            ? [nameOfCall(waiting), 'busy; rings you when they are free', waiting.since]
            : [null, '', now];
  if (name === null) return null;
  return (
    <Pressable role="button" onPress={go.call} style={styles.strip}>
      <CordEdge cord={null} onNight />
      <View style={styles.words}>
        <Txt as="strong" lines={1} colour={colours.onNight}>
          {name}
        </Txt>
        <Txt as="small" lines={1} colour={colours.faintOnNight}>
          {words}
        </Txt>
      </View>
      <View style={styles.side}>
        <Txt as="mono" colour={colours.onNight}>
          {formatDuration(now - since)}
        </Txt>
        <Txt as="small" colour={colours.faintOnNight}>
          See the cords
        </Txt>
      </View>
    </Pressable>
  );
}
