import { StyleSheet, View } from 'react-native';

import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

import type { Incoming } from './useIncoming';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    facts: { gap: space.m },
    fact: { borderTopWidth: 1, borderColor: colours.nightEdge, paddingTop: space.m, gap: space.xs },
  }),
);

interface IncomingFactsProps {
  call: Incoming;
  /** In two lines; else each between rules. */
  isCompact?: boolean;
}

/** Why they call: what brought it here, what they pressed, how often they tried, and what they wait for. */
export function IncomingFacts({ call, isCompact = false }: IncomingFactsProps) {
  const styles = useStyles();
  const { colours } = useTheme();
  const { returned, facts, end } = call;
  if (isCompact) {
    const words = [returned, ...facts, end?.words ? `“${end.words}”` : null].filter(Boolean);
    return words.length === 0 ? null : (
      <Txt as="small" colour={colours.onNight} lines={2}>
        {words.join(' · ')}
      </Txt>
    );
  }
  return (
    <View style={styles.facts}>
      {returned ? (
        <View style={styles.fact}>
          <Txt as="strong" colour={colours.onNight}>
            {returned}
          </Txt>
        </View>
      ) : null}
      {facts.length > 0 ? (
        <View style={styles.fact}>
          <Txt colour={colours.onNight}>{facts.join(' · ')}</Txt>
        </View>
      ) : null}
      {end ? (
        <View style={styles.fact}>
          <Txt as="small" colour={colours.faintOnNight}>
            {`Still waits: ${end.why}`}
          </Txt>
          {end.words ? <Txt colour={colours.onNight} lines={4}>{`“${end.words}”`}</Txt> : null}
        </View>
      ) : null}
    </View>
  );
}
