import { useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';

import { describeSteps } from '@/core/history';
import { describeFinish } from '@/core/office';
import { formatDayAndClock } from '@/core/time';
import { formatAny, selectOffice, selectZone, useAppSelector } from '@/state/app';
import { CordEdge } from '@/ui/cord';
import { Choice } from '@/ui/field';
import { RingScale } from '@/ui/scale';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

import { useLayout } from '../shared/useLayout';
import { ringsWords } from './planWords';
import { callers, myExtension, useTriedCall, type CallerKind } from './useTriedCall';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    screen: { flex: 1 },
    body: { padding: space.l, gap: space.l },
    columns: { flexDirection: 'row', gap: space.xxl, alignItems: 'flex-start' },
    column: { flex: 1, minWidth: 0, gap: space.l },
    stack: { gap: space.l },
    part: { gap: space.s },
    stretch: { paddingVertical: space.s, borderTopWidth: 1, borderColor: colours.rule },
  }),
);

/** Who rings when: a call computed, not placed, with its reasons, and where such calls end up all week. */
export function PlanScreen() {
  const styles = useStyles();
  const { colours } = useTheme();
  const { isWide } = useLayout();
  const office = useAppSelector(selectOffice);
  const zone = useAppSelector(selectZone);
  const myId = useAppSelector((state) => state.office.me?.personId ?? '');
  const [lineId, setLineId] = useState<string>(myExtension);
  const [callerKind, setCallerKind] = useState<CallerKind>('unknown');
  const { trace, week, tracks } = useTriedCall(lineId, callerKind);
  const lines = office.setup.lines.filter(({ ownerId }) => ownerId === myId);
  const line = office.lines.get(lineId);
  return (
    <View style={styles.screen}>
      <CordEdge cord={line?.cord ?? null} run="across" width={10} />
      <ScrollView contentContainerStyle={styles.body} tabIndex={0}>
        <View>
          <Txt as="title" level={1}>
            Who rings when
          </Txt>
          <Txt colour={colours.faint}>A call computed with everything signed in and free, not placed.</Txt>
        </View>
        <View style={isWide ? styles.columns : styles.stack}>
          <View style={isWide ? styles.column : styles.stack}>
            <Choice
              asPlates
              label="When"
              value={callerKind}
              options={callers.map(({ kind, word }) => ({ value: kind, word }))}
              onChoose={setCallerKind}
            />
            <Choice
              asPlates
              label="calls"
              value={lineId}
              options={[
                { value: myExtension, word: 'my extension' },
                ...lines.map(({ id, name, number }) => ({
                  value: id,
                  word: name,
                  detail: formatAny(number),
                })),
              ]}
              onChoose={setLineId}
            />
            <View style={styles.part}>
              <Txt as="heading" level={2}>
                Seconds
              </Txt>
              {tracks.length > 0 ? (
                <RingScale
                  tracks={tracks}
                  totalSeconds={trace.finishSeconds}
                  finish={describeFinish(trace.finish, office, myId)}
                />
              ) : (
                <Txt>Nothing rings: at once {describeFinish(trace.finish, office, myId)}.</Txt>
              )}
            </View>
          </View>
          <View style={isWide ? styles.column : styles.stack}>
            <View style={styles.part}>
              <Txt as="heading" level={2}>
                Why
              </Txt>
              {describeSteps(trace, office).map((sentence) => (
                <Txt key={sentence}>{sentence}</Txt>
              ))}
            </View>
            <View style={styles.part} role="region" aria-label="The week to come">
              <Txt as="heading" level={2}>
                The week to come
              </Txt>
              {week.map(({ from, to, trace: there }) => (
                <View key={from} style={styles.stretch}>
                  <Txt as="mono">
                    {week.length === 1
                      ? 'at every hour of it'
                      : `${formatDayAndClock(from, zone)} – ${formatDayAndClock(to, zone)}`}
                  </Txt>
                  <Txt>{ringsWords(there, office)}</Txt>
                </View>
              ))}
            </View>
          </View>
        </View>
      </ScrollView>
    </View>
  );
}
