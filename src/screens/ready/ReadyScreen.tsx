import { useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import Svg, { Line, Path } from 'react-native-svg';

import { addressWords, oldPlaceMs } from '@/core/setup';
import { formatMoment } from '@/core/shared/time';
import {
  selectMyDeviceId,
  selectMyPlan,
  selectOffice,
  selectZone,
  useAppSelector,
  useNow,
} from '@/state/app';
import { selectPlaceOfPhone } from '@/state/place';
import { selectMyPin } from '@/state/access';
import { ActLine } from '@/ui/list';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, useTheme } from '@/ui/tokens';

import { PinSheet } from '../access/PinSheet';
import { openCallSheet } from '../call/openSheet';
import { poorBelow, soundTestWords } from '../shared/soundTestWords';
import { useGo } from '../shared/useGo';
import { ringWords } from '../tones/toneWords';
import { ScreenTitle } from '../shared/ScreenTitle';

/** How one thing stands: well, to be looked at, or not done yet. */
type Standing = 'well' | 'look' | 'open';

interface Check {
  title: string;
  standing: Standing;
  /** Its last reading. */
  reading: string;
  word: string;
  act: () => void;
}

/** What is gone over before driving off, in any order; each line with its last reading. */
export function ReadyScreen() {
  const { colours } = useTheme();
  const go = useGo();
  const [isPinOpen, setPinOpen] = useState(false);
  const checks = useChecks({ openPin: () => setPinOpen(true) });
  const open = checks.filter(({ standing }) => standing !== 'well').length;
  return (
    <ScrollView style={styles.screen} contentContainerStyle={styles.body} tabIndex={0}>
      <View>
        <ScreenTitle>Ready to go</ScreenTitle>
        <Txt colour={colours.faint}>{openWords(open)}</Txt>
      </View>
      <View role="list">
        {checks.map(({ title, standing, reading, word, act }) => (
          <ActLine key={title} title={title} detail={reading} before={<StandingGauge standing={standing} />}>
            <Plate word={word} label={`${title}: ${word}`} onPress={act} />
          </ActLine>
        ))}
      </View>
      <Plate word="Office" style={styles.start} onPress={go.office} />
      {isPinOpen ? <PinSheet onClose={() => setPinOpen(false)} /> : null}
    </ScrollView>
  );
}

function openWords(open: number): string {
  if (open === 0) return 'Everything is as it should be.';
  return `${open === 1 ? 'One thing is' : `${open} things are`} to be looked at. None has to be now: all is found again in Office.`;
}

function useChecks({ openPin }: { openPin: () => void }): Check[] {
  const go = useGo();
  const pin = useAppSelector(selectMyPin);
  const { greetings = [] } = useAppSelector(selectMyPlan);
  const now = useNow(60_000);
  const zone = useAppSelector(selectZone);
  const place = useAppSelector((state) => selectPlaceOfPhone(state, selectMyDeviceId(state)));
  const { soundTest, isPlaceDoubted, ringVolume, ringTones, vibrates, tellsElsewhere } = useAppSelector(
    (state) => state.settings,
  );
  const appKept = useAppSelector((state) => state.notices.appKept);
  const { services } = useAppSelector(selectOffice).plan;
  return [
    {
      title: 'PIN',
      standing: pin === 'own' ? 'well' : pin === 'given' ? 'look' : 'open',
      reading:
        pin === 'own'
          ? `Yours. From any office phone *${services.mailbox} opens your mailbox, from others star at its greeting.`
          : pin === 'given'
            ? 'Given by whoever runs the office: choose your own.'
            : 'None yet.',
      word: pin === 'own' ? 'Change it' : 'Choose it',
      act: openPin,
    },
    {
      title: 'Greeting',
      standing: greetings.length > 0 ? 'well' : 'open',
      reading:
        greetings.length === 0
          ? 'Your mailbox says a plain sentence that is nobody’s.'
          : `Your mailbox says ${greetings.map(({ name }) => `“${name}”`).join(', ')}, the first that fits.`,
      word: greetings.length === 0 ? 'Say one' : 'See them',
      act: go.greetings,
    },
    {
      title: 'Sound',
      standing: soundTest === null ? 'open' : soundTest.overNoise >= poorBelow ? 'well' : 'look',
      reading: soundTest === null ? 'Nobody has heard you yet.' : soundTestWords(soundTest),
      word: soundTest === null ? 'Try it' : 'Try again',
      act: () => openCallSheet({ kind: 'sound' }),
    },
    {
      title: 'Where help is sent',
      standing: place === null ? 'open' : isPlaceDoubted || now - place.at > oldPlaceMs ? 'look' : 'well',
      reading:
        place === null
          ? 'Nobody has said where this device is.'
          : isPlaceDoubted
            ? `${addressWords(place)}: the network is another one since.`
            : `${addressWords(place)}, said ${formatMoment(place.at, now, zone)}.`,
      word: place === null ? 'Say it' : 'Change it',
      act: go.place,
    },
    {
      title: 'Ring',
      standing: ringVolume > 0 || vibrates ? 'well' : 'look',
      reading:
        ringVolume > 0
          ? `${ringWords[ringTones.customer]} for most calls, ${ringVolume} % loud.`
          : 'Silent: calls are seen, and not heard, on this device.',
      word: 'Choose it',
      act: go.tones,
    },
    {
      title: 'Told when Cendro is not in front',
      standing: tellsElsewhere ? 'well' : 'open',
      reading: tellsElsewhere
        ? 'The system tells you of calls.'
        : 'A call is missed while another app is in front.',
      word: 'See to it',
      act: () => go.choice('While Cendro is not in front'),
    },
    {
      title: 'With no network',
      standing: appKept === 'kept' ? 'well' : appKept === 'failed' ? 'look' : 'open',
      reading:
        appKept === 'kept'
          ? 'Cendro opens without one.'
          : appKept === 'fetching'
            ? 'Cendro is being kept on this device.'
            : 'Cendro is not kept on this device, and opens only with a network.',
      word: 'See to it',
      act: () => go.choice('On this device'),
    },
  ];
}

const standingWords: Record<Standing, string> = {
  well: 'well',
  look: 'to be looked at',
  open: 'not done yet',
};
/** Degrees from upright: off the left end, in the middle, at the right end. */
const turns: Record<Standing, number> = { open: -60, look: 0, well: 60 };

/** A half-round gauge: its needle lies left while nothing is done, and right where all is well. */
function StandingGauge({ standing }: { standing: Standing }) {
  const { colours } = useTheme();
  const angle = (turns[standing] * Math.PI) / 180;
  const hue = standing === 'well' ? colours.moss : standing === 'look' ? colours.saffron : colours.faint;
  return (
    <View role="img" aria-label={standingWords[standing]}>
      <Svg width={40} height={26} aria-hidden>
        <Path d="M4 22A16 16 0 0 1 36 22" stroke={colours.edge} strokeWidth={2} fill="none" />
        <Path d="M30.3 9.8A16 16 0 0 1 36 22" stroke={colours.moss} strokeWidth={4} fill="none" />
        <Line
          x1={20}
          y1={22}
          x2={20 + 15 * Math.sin(angle)}
          y2={22 - 15 * Math.cos(angle)}
          stroke={hue}
          strokeWidth={3}
        />
      </Svg>
    </View>
  );
}

const styles = StyleSheet.create({
  screen: { flex: 1 },
  body: { padding: space.l, gap: space.l, maxWidth: 640 },
  start: { alignSelf: 'flex-start' },
});
