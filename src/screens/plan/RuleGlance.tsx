import { Pressable, StyleSheet, View } from 'react-native';

import type { OfficeIndex, RingPlan } from '@/core/setup';
import { glanceOf } from '@/core/plans/editing';
import type { RouteTrace } from '@/core/plans/routing';
import { Txt } from '@/ui/text';
import { space, target, themed, useTheme } from '@/ui/tokens';

import { takenRuleId } from './planWords';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    rule: {
      minHeight: target,
      flexDirection: 'row',
      alignItems: 'center',
      gap: space.m,
      paddingVertical: space.xs,
      paddingLeft: space.m,
      borderLeftWidth: 4,
      borderLeftColor: 'transparent',
      borderBottomWidth: 1,
      borderBottomColor: colours.rule,
    },
    lit: { borderLeftColor: colours.saffron, backgroundColor: colours.sheet },
    words: { flex: 1, minWidth: 0 },
  }),
);

interface RuleGlanceProps {
  plan: RingPlan;
  office: OfficeIndex;
  trace: RouteTrace;
  shownRuleId: string | null;
  onShow: (ruleId: string) => void;
}

/** The whole plan in one look: each rule in a line, the one that the asked call goes by lit; a tap shows its seconds. */
export function RuleGlance({ plan, office, trace, shownRuleId, onShow }: RuleGlanceProps) {
  const styles = useStyles();
  const { colours } = useTheme();
  const takenId = takenRuleId(trace);
  return (
    <View role="list" aria-label="The plan in one look, the first rule that fits decides">
      {plan.rules.map((rule, index) => {
        const isTaken = rule.id === takenId;
        return (
          <View key={rule.id} role="listitem">
            <Pressable
              role="button"
              aria-current={rule.id === shownRuleId ? 'true' : undefined}
              onPress={() => onShow(rule.id)}
              style={({ pressed }) => [styles.rule, (isTaken || pressed) && styles.lit]}
            >
              <Txt as="mono" colour={colours.faint}>
                {index + 1}
              </Txt>
              <View style={styles.words}>
                <Txt as={isTaken ? 'strong' : 'body'} lines={1}>
                  {isTaken ? `${rule.name}: this call` : rule.name}
                </Txt>
                <Txt as="small">{glanceOf(rule, office, plan.personId)}</Txt>
              </View>
            </Pressable>
          </View>
        );
      })}
    </View>
  );
}
