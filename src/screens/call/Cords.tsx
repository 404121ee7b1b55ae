import { useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';

import { formatDuration } from '@/core/time';
import type { CallView, PartyView } from '@/state/app';
import { CordEdge } from '@/ui/cord';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

import { phaseWord, theyHear, youHear } from '../shared/callWords';
import { CordDrawing } from './CordDrawing';
import { shapeOf } from './cordShape';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    picture: { flexGrow: 1, paddingHorizontal: space.l, paddingTop: space.m },
    ends: { flexDirection: 'row', gap: space.m },
    end: {
      flex: 1,
      minWidth: 0,
      flexDirection: 'row',
      backgroundColor: colours.sheet,
      borderWidth: 1,
      borderColor: colours.rule,
      minHeight: 92,
    },
    active: { borderColor: colours.ink },
    words: { flex: 1, minWidth: 0, padding: space.m, justifyContent: 'center' },
    talk: { textDecorationLine: 'underline', textDecorationColor: colours.saffron },
    cords: { flexGrow: 1, minHeight: 150 },
    you: {
      alignSelf: 'center',
      minWidth: 220,
      backgroundColor: colours.night,
      borderWidth: 1,
      borderColor: colours.edge,
      paddingHorizontal: space.l,
      paddingVertical: space.m,
      alignItems: 'center',
    },
  }),
);

interface CordsProps {
  calls: readonly CallView[];
  now: number;
  onTalkTo: (view: CallView) => void;
}

/** Who is plugged to whom, and who hears whom: you at the bottom, the others above, a cord to each. */
export function Cords({ calls, now, onTalkTo }: CordsProps) {
  const styles = useStyles();
  const { colours } = useTheme();
  const [size, setSize] = useState({ width: 0, height: 0 });
  const ends = calls.flatMap((view) => view.others.slice(0, 1).map((party) => ({ view, party })));
  const active = calls.find(({ me }) => me.state === 'connected');
  return (
    <View style={styles.picture}>
      <View style={styles.ends}>
        {ends.map(({ view, party }) => (
          <End
            key={view.id}
            view={view}
            party={party}
            now={now}
            onTalkTo={onTalkTo}
            isAlone={ends.length === 1}
          />
        ))}
      </View>
      <View
        style={styles.cords}
        onLayout={({ nativeEvent: { layout } }) => setSize({ width: layout.width, height: layout.height })}
        aria-hidden
      >
        {size.width > 0 ? (
          <CordDrawing
            width={size.width}
            height={size.height}
            cords={ends.map(({ view }) => ({
              key: view.id,
              shape: shapeOf(view),
              colour: colours.cords[view.line?.cord.hue ?? 0] ?? colours.ink,
            }))}
          />
        ) : null}
      </View>
      <View style={styles.you}>
        <Txt as="strong" colour={colours.onNight}>
          {active ? youHear(active) : 'You hear nothing'}
        </Txt>
        {active?.me.muted ? (
          <Txt as="small" colour={colours.faintOnNight}>
            and nobody hears you
          </Txt>
        ) : null}
      </View>
    </View>
  );
}

interface EndProps {
  view: CallView;
  party: PartyView;
  now: number;
  onTalkTo: (view: CallView) => void;
  isAlone: boolean;
}

function End({ view, party, now, onTalkTo, isAlone }: EndProps) {
  const styles = useStyles();
  const { colours } = useTheme();
  const isHeld = view.phase === 'held';
  const word =
    view.phase === 'talking' || isHeld || view.phase === 'mailbox' ? theyHear(party, view) : phaseWord(view);
  const tone = view.phase === 'failed' ? colours.rowan : isHeld ? colours.slate : colours.spruce;
  const time = isHeld ? `held ${formatDuration(now - heldSince(view))}` : formatDuration(now - view.since);
  const content = (
    <>
      <CordEdge cord={view.line?.cord ?? null} />
      <View style={styles.words}>
        <Txt as={isAlone ? 'title' : 'heading'} level={1} lines={3}>
          {party.name}
        </Txt>
        <Txt as="small" lines={1}>
          {party.detail}
        </Txt>
        <Txt as="strong" colour={tone} lines={2}>
          {word}
        </Txt>
        <Txt as={isAlone ? 'monoLarge' : 'mono'}>{time}</Txt>
        {isHeld ? (
          <Txt as="strong" style={styles.talk}>
            Talk
          </Txt>
        ) : null}
      </View>
    </>
  );
  const style = [styles.end, view.me.state === 'connected' && styles.active];
  if (!isHeld) return <View style={style}>{content}</View>;
  return (
    <Pressable role="button" onPress={() => onTalkTo(view)} style={style}>
      {content}
    </Pressable>
  );
}

function heldSince(view: CallView): number {
  return view.call.legs.find(({ id }) => id === view.me.legId)?.stateSince ?? view.since;
}
