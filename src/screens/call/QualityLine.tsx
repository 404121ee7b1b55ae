import { useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import Svg, { Line } from 'react-native-svg';

import {
  hearingOf,
  warningOf,
  type CandidateKind,
  type Hearing,
  type Passage,
  type Quality,
} from '@/core/calls/quality';
import {
  isActive,
  selectMyOtherDevices,
  selectOffice,
  sendAndSay,
  useAppDispatch,
  useAppSelector,
  type CallView,
} from '@/state/app';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, target, themed, useTheme } from '@/ui/tokens';

import { movedWords } from './sheets/movedWords';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    line: { flexDirection: 'row', alignItems: 'center', gap: space.m, minHeight: target - 8 },
    box: { paddingHorizontal: space.l },
    figures: { paddingBottom: space.xs },
    moving: { paddingHorizontal: space.l, paddingTop: space.s },
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

const wayWords: Record<CandidateKind, string> = {
  host: 'straight, in the same network',
  srflx: 'straight, across networks',
  relay: 'by a relay',
};

const codecWords: Readonly<Record<string, string>> = {
  opus: 'Opus',
  PCMU: 'G.711',
  PCMA: 'G.711',
};

/** How the voice comes, as far as the browser says so. Browsers send none that is not encrypted. */
function passageWords({ way, codec, hasCopies, cipher }: Passage): string {
  const encrypted = `Encrypted from browser to browser (${cipher === null ? 'DTLS-SRTP' : `DTLS-SRTP, ${cipher}`})`;
  const coded =
    codec === null
      ? ''
      : `, ${codecWords[codec] ?? codec}${hasCopies ? ', of each packet a copy (RED)' : ''}`;
  return `${encrypted}${coded}; measured here.${way ? ` It goes ${wayWords[way]}.` : ''}`;
}

const hearingWords: Record<Hearing, string> = {
  well: 'Sounds well',
  fair: 'Sounds fair',
  poor: 'Sounds poor',
  hardly: 'Hard to understand',
};

/** How the call sounds, in a word and on a gauge, its figures a tap away; and the way out before it hurts. */
export function QualityLine({ view }: { view: CallView }) {
  const styles = useStyles();
  const dispatch = useAppDispatch();
  const trend = useAppSelector((state) => state.office.trend);
  const passage = useAppSelector((state) => state.office.passage);
  const office = useAppSelector(selectOffice);
  const mobile = useAppSelector((state) => selectMyOtherDevices(state).find(({ kind }) => kind === 'mobile'));
  const [showsFigures, setShowsFigures] = useState(false);
  if (!isActive(view) || view.phase !== 'talking') return null;
  // Its place is kept before the first measurement: what is under a thumb must not move when it comes.
  if (!trend) return <View style={[styles.box, styles.line]} />;
  const moving = view.call.legs.find(
    ({ state, replaces }) => state === 'alerting' && replaces === view.me.legId,
  );
  if (moving) {
    const device = moving.endpoint.kind === 'device' ? office.devices.get(moving.endpoint.deviceId) : null;
    return (
      <View style={styles.moving} role="status">
        <Txt as="strong">{movedWords(device?.name ?? 'other phone')}</Txt>
      </View>
    );
  }
  const { quality } = trend;
  const warning = warningOf(trend);
  const word = hearingWords[hearingOf(quality)];
  if (warning === 'none') {
    return (
      <View style={styles.box}>
        <Pressable
          role="button"
          aria-expanded={showsFigures}
          onPress={() => setShowsFigures(!showsFigures)}
          style={styles.line}
        >
          <SoundGauge R={quality.R} />
          <Txt as="small">{word}</Txt>
        </Pressable>
        {showsFigures ? (
          <View style={styles.figures}>
            <Txt as="mono">{figuresOf(quality)}</Txt>
            <Txt as="small">
              {passage
                ? passageWords(passage)
                : 'Encryption: none needed, since the sound stays on this device.'}
            </Txt>
          </View>
        ) : null}
      </View>
    );
  }
  return (
    <View style={styles.warning} role="alert">
      <View style={styles.line}>
        <SoundGauge R={quality.R} />
        <Txt as="strong">
          {warning === 'now'
            ? 'The network is too poor for you to be understood'
            : 'The network is getting worse'}
        </Txt>
      </View>
      <Txt as="mono">{figuresOf(quality)}</Txt>
      {mobile && !view.call.emergency ? (
        <Plate
          kind="main"
          word={`Continue on my ${mobile.name}`}
          onPress={() =>
            void dispatch(
              sendAndSay(
                { type: 'move', legId: view.me.legId, to: { deviceId: mobile.id }, atOnce: false },
                movedWords(mobile.name),
              ),
            )
          }
        />
      ) : null}
    </View>
  );
}

const figuresOf = ({ R, mos, delayMs, lossPercent }: Quality) =>
  `MOS ${mos.toFixed(1)} · R ${Math.round(R)} · ${Math.round(delayMs)} ms · loss ${lossPercent.toFixed(1)}\u00a0%`;

/** R of ITU-T G.107 from 0 to 100 on a scale; the marks stand where G.109 draws its lines. */
function SoundGauge({ R }: { R: number }) {
  const { colours } = useTheme();
  const at = (value: number) => 3 + (Math.min(Math.max(value, 0), 100) / 100) * 66;
  return (
    <Svg width={72} height={20} aria-hidden>
      <Line x1={3} y1={17} x2={69} y2={17} stroke={colours.ink} strokeWidth={1.5} />
      {[0, 60, 70, 80, 100].map((mark) => (
        <Line
          key={mark}
          x1={at(mark)}
          y1={17}
          x2={at(mark)}
          y2={mark % 100 === 0 ? 9 : 12}
          stroke={colours.ink}
          strokeWidth={1.5}
        />
      ))}
      <Line x1={at(R)} y1={2} x2={at(R)} y2={20} stroke={colours.saffron} strokeWidth={4} />
    </Svg>
  );
}
