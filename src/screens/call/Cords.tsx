import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';

import { isActive, meetingOf, type CallView } from '@/state/app';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

import { youHear } from '../shared/callWords';
import { MovingPicture } from './meeting/MovingPicture';
import { OneCord } from './OneCord';
import { Trunks, type CordActs } from './Trunks';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    picture: { flexGrow: 1, paddingHorizontal: space.l, paddingTop: space.m },
    own: { width: 80, height: 48 },
    seen: { flexDirection: 'row', gap: space.s, paddingHorizontal: space.s, paddingVertical: space.s },
    words: { flexGrow: 1, flexShrink: 1, alignItems: 'center' },
    you: {
      backgroundColor: colours.night,
      borderWidth: 1,
      borderColor: colours.edge,
      paddingHorizontal: space.l,
      paddingVertical: space.m,
      alignItems: 'center',
    },
  }),
);

interface CordsProps extends CordActs {
  calls: readonly CallView[];
  now: number;
  /** Hangs on the cord of the call that is talked on. */
  keys?: ReactNode;
  /** Others call, who need the room. */
  isTight?: boolean;
}

/** Who is plugged to whom, and who hears whom: you at the bottom, the others above, a cord to each. */
export function Cords({ calls, now, keys, isTight = false, ...acts }: CordsProps) {
  const styles = useStyles();
  const { colours } = useTheme();
  const active = calls.find(isActive);
  const [only] = calls;
  const isOne = calls.length === 1 && only?.others.length === 1 && !only.call.meeting;
  const mine = (active && meetingOf(active)?.pictures.filter(({ isMine }) => isMine)) ?? [];
  return (
    <View style={styles.picture}>
      {isOne && only ? (
        <OneCord view={only} now={now} beside={keys} isTight={isTight} />
      ) : (
        <Trunks calls={calls} now={now} beside={keys} {...acts} />
      )}
      <View style={[styles.you, mine.length > 0 && styles.seen]}>
        {mine.map(({ id, legId, kind }) => (
          <MovingPicture
            key={id}
            {...{ legId, kind, isMine: true }}
            label={kind === 'camera' ? 'Your picture, as in a mirror' : 'Your screen, as others see it'}
            style={styles.own}
          />
        ))}
        <View style={styles.words} aria-live="polite">
          <Txt as="strong" colour={colours.onNight} style={{ textAlign: 'center' }}>
            {active ? youHear(active) : 'You hear nothing'}
          </Txt>
          {active?.me.muted ? (
            <Txt as="small" colour={colours.faintOnNight}>
              and nobody hears you
            </Txt>
          ) : null}
        </View>
      </View>
    </View>
  );
}
