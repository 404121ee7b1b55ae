import { Pressable, StyleSheet, View } from 'react-native';

import { formatDuration } from '@/core/shared/time';
import { isActive, type CallView, type PartyView } from '@/state/app';
import { CordEdge } from '@/ui/cord';
import { Txt } from '@/ui/text';
import { space, target, themed, useTheme } from '@/ui/tokens';

import { phaseWord, theyHear } from '../shared/callWords';
import { useLayout } from '../shared/useLayout';
import { shapeOf } from './cordShape';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    end: {
      flexDirection: 'row',
      backgroundColor: colours.sheet,
      borderWidth: 1,
      borderColor: colours.rule,
      minHeight: target + 12,
    },
    active: { borderColor: colours.ink },
    speaking: { borderRightWidth: 6, borderRightColor: colours.saffron },
    small: { flex: 1, minHeight: target, borderTopWidth: 0 },
    wrapped: { flexWrap: 'wrap' },
    words: {
      flex: 1,
      minWidth: 84,
      paddingHorizontal: space.m,
      paddingVertical: space.s,
      justifyContent: 'center',
    },
    side: { justifyContent: 'center', alignItems: 'flex-end', paddingRight: space.m, gap: space.xs },
    act: { textDecorationLine: 'underline', textDecorationColor: colours.saffron },
  }),
);

interface EndCardProps {
  view: CallView;
  party: PartyView;
  now: number;
  /** It stands alone and has the room. */
  isLarge?: boolean;
  /** One of many: who they are, and of what they hear only what is not as it should be. */
  isSmall?: boolean;
  /** Of its heading. */
  level?: 1 | 2;
  /** The first of its call, which says how long it lasts. */
  isFirst?: boolean;
  /** What marks them in a meeting. */
  marks?: readonly string[] | undefined;
  /** Their voice is loud now. */
  speaks?: boolean;
  /** Said at the card's edge, and done by a tap on it. */
  act?: { word: string; onPress: () => void };
}

/** Who is at one end of a cord, what they hear, and for how long. */
export function EndCard({
  view,
  party,
  now,
  isLarge = false,
  isSmall = false,
  level = 2,
  isFirst = true,
  marks = [],
  speaks = false,
  act,
}: EndCardProps) {
  const styles = useStyles();
  const { colours } = useTheme();
  const isHeld = view.phase === 'held';
  const hears = view.phase === 'talking' || isHeld || view.phase === 'mailbox' || view.phase === 'menu';
  const word = hears ? theyHear(party, view) : phaseWord(view);
  const tone = view.phase === 'failed' ? colours.rowan : isHeld ? colours.slate : colours.spruce;
  const { up, down } = shapeOf(view, party);
  const isHeard = up === 'sounds' && down === 'sounds';
  const time = isHeld
    ? `held ${formatDuration(now - (view.heldSince ?? now))}`
    : formatDuration(now - view.since);
  const content = (
    <>
      <CordEdge cord={view.line?.cord ?? null} />
      <View style={styles.words}>
        <Txt as={isLarge ? 'title' : 'strong'} level={level} lines={isLarge ? 3 : 2}>
          {party.name}
        </Txt>
        {isLarge ? (
          <Txt as="small" lines={1}>
            {party.detail}
          </Txt>
        ) : null}
        {isSmall && isHeard ? null : (
          <Txt as={isLarge ? 'strong' : 'small'} colour={tone} lines={isLarge ? 2 : 3}>
            {word}
          </Txt>
        )}
        {speaks || marks.length > 0 ? (
          <Txt as="small" lines={isSmall ? 1 : undefined}>
            {[...(speaks ? ['speaks'] : []), ...marks].join(' · ')}
          </Txt>
        ) : null}
        {isLarge ? <Txt as="monoLarge">{time}</Txt> : null}
      </View>
      {isLarge ? null : (
        <View style={styles.side}>
          {isFirst && !isSmall ? <Txt as="mono">{time}</Txt> : null}
          {act ? (
            <Txt as="strong" style={styles.act}>
              {act.word}
            </Txt>
          ) : null}
        </View>
      )}
    </>
  );
  const { isNarrowest } = useLayout();
  const style = [
    styles.end,
    isActive(view) && styles.active,
    speaks && styles.speaking,
    isSmall ? styles.small : isNarrowest && styles.wrapped,
  ];
  if (!act) return <View style={style}>{content}</View>;
  return (
    <Pressable role="button" onPress={act.onPress} style={style}>
      {content}
    </Pressable>
  );
}
