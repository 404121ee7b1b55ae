import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';

import { isActive, type CallView } from '@/state/app';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

import { youHear } from '../shared/callWords';
import { OneCord } from './OneCord';
import { Trunks, type CordActs } from './Trunks';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    picture: { flexGrow: 1, paddingHorizontal: space.l, paddingTop: space.m },
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
  const isOne = calls.length === 1 && only?.others.length === 1;
  return (
    <View style={styles.picture}>
      {isOne && only ? (
        <OneCord view={only} now={now} beside={keys} isTight={isTight} />
      ) : (
        <Trunks calls={calls} now={now} beside={keys} {...acts} />
      )}
      <View style={styles.you} aria-live="polite">
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
  );
}
