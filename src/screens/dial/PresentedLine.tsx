import { useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';

import {
  selectOffice,
  selectTravel,
  useAppDispatch,
  useAppSelector,
  wayChosen,
  type Travel,
} from '@/state/app';
import { ways, type Way } from '@/core/calls/quality';
import { CordEdge } from '@/ui/cord';
import { Choice } from '@/ui/field';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space, target, themed, useTheme } from '@/ui/tokens';

import { LazyShownSheet } from '../call/LazySheet';

const useStyles = themed(({ colours, size }) =>
  StyleSheet.create({
    line: { flexDirection: 'row', minHeight: target, alignItems: 'stretch' },
    // Large letters have the price in a row of its own.
    parts: { flex: 1, flexDirection: 'row', flexWrap: 'wrap', minWidth: 0 },
    part: {
      flexGrow: 1,
      flexShrink: 1,
      minWidth: size(56),
      maxWidth: '100%',
      paddingHorizontal: space.m,
      justifyContent: 'center',
    },
    reason: { paddingHorizontal: space.l, paddingBottom: space.xs },
    chosen: { textDecorationLine: 'underline', textDecorationColor: colours.saffron },
  }),
);

const wayWords: Record<Way, string> = {
  data: 'data call',
  mobileFirst: 'my mobile first',
  deskFirst: 'from my desk phone',
};
const wayDetails: Record<Way, string> = {
  data: 'From this device, over its network',
  mobileFirst: 'The office calls my mobile; I press a key, and it calls them',
  deskFirst: 'My desk phone rings; I pick up, and it calls them',
};
const recommended = 'recommended';

interface PresentedLineProps {
  to: string;
  /** Without the reason, which the choice of another way says too. */
  isBrief?: boolean;
}

/** "From Field service · data call · 0.9 p/min", and why it goes that way. A tap chooses another line, or another way. */
export function PresentedLine({ to, isBrief = false }: PresentedLineProps) {
  const styles = useStyles();
  const { colours } = useTheme();
  const dispatch = useAppDispatch();
  const office = useAppSelector(selectOffice);
  const chosenWay = useAppSelector((state) => state.settings.way);
  const travel = useAppSelector((state) => selectTravel(state, to, true), isSame);
  const [choosing, setChoosing] = useState<'line' | 'way' | null>(null);
  const { shown } = travel.shown;
  const line = shown === 'withhold' ? null : office.lines.get(shown.lineId);
  const shownWord = shown === 'withhold' ? 'no number (withheld)' : (line?.name ?? 'the office');
  const close = () => setChoosing(null);
  return (
    <>
      <View style={styles.line}>
        <CordEdge cord={line?.cord ?? null} />
        <View style={styles.parts}>
          <Pressable role="button" onPress={() => setChoosing('line')} style={styles.part}>
            <Txt as="small">From</Txt>
            <Txt as="strong" lines={1} style={styles.chosen}>
              {shownWord}
            </Txt>
          </Pressable>
          <Pressable role="button" onPress={() => setChoosing('way')} style={styles.part}>
            <Txt as="small">By</Txt>
            <Txt as="strong" lines={1} style={styles.chosen}>
              {wayWords[travel.way]}
            </Txt>
          </Pressable>
          <View style={styles.part}>
            <Txt as="small">Price</Txt>
            <Txt as="strong" lines={1} colour={travel.isPremium ? colours.rowan : colours.ink}>
              {travel.price ?? '–'}
            </Txt>
          </View>
        </View>
      </View>
      {isBrief ? null : (
        <Txt as="small" style={styles.reason} lines={1}>
          {capital(travel.reason)}
        </Txt>
      )}
      {choosing === 'line' ? <LazyShownSheet travel={travel} onClose={close} /> : null}
      {choosing === 'way' ? (
        <Sheet title="How the call goes out" onClose={close}>
          <Choice
            label="How the call goes out"
            value={chosenWay ?? recommended}
            options={[
              {
                value: recommended,
                word: 'As Cendro recommends',
                detail: `Now: ${wayWords[travel.way]}, ${travel.reason}`,
              },
              ...ways.map((way) => ({ value: way, word: capital(wayWords[way]), detail: wayDetails[way] })),
            ]}
            onChoose={(value) => {
              dispatch(wayChosen(ways.find((way) => way === value) ?? null));
              close();
            }}
          />
        </Sheet>
      ) : null}
    </>
  );
}

const isSame = (a: Travel, b: Travel) => JSON.stringify(a) === JSON.stringify(b);
const capital = (word: string) => word.charAt(0).toUpperCase() + word.slice(1);
