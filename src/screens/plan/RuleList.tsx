import { useRef, useState } from 'react';
import { StyleSheet, View, type LayoutChangeEvent } from 'react-native';

import type { OfficeIndex, RingPlan } from '@/core/setup';
import { beginRule, describeRule, edits } from '@/core/plans/editing';
import type { Finding } from '@/core/plans/checks';
import type { RouteTrace } from '@/core/plans/routing';
import { editPlan, useAppDispatch } from '@/state/app';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, target, themed, useTheme } from '@/ui/tokens';

import { ForOnceSheet } from './ForOnceSheet';
import { misfitWords, takenRuleId } from './planWords';
import { RuleSheet } from './RuleSheet';
import { TemplateSheet } from './TemplateSheet';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    rule: {
      flexDirection: 'row',
      gap: space.s,
      borderTopWidth: 1,
      borderLeftWidth: 6,
      borderColor: colours.rule,
      borderLeftColor: 'transparent',
      paddingVertical: space.s,
      paddingRight: space.xs,
    },
    lit: { borderLeftColor: colours.saffron, backgroundColor: colours.sheet },
    held: { opacity: 0.6, borderColor: colours.saffron },
    grip: { width: 36, minHeight: target, alignItems: 'center', justifyContent: 'center', gap: 4 },
    bar: { width: 18, height: 3, backgroundColor: colours.edge },
    words: { flex: 1, minWidth: 0, gap: space.xs },
    acts: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
    foot: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s, paddingTop: space.m },
  }),
);

interface RuleListProps {
  plan: RingPlan;
  office: OfficeIndex;
  trace: RouteTrace;
  findings: readonly Finding[];
  shownRuleId: string | null;
  onShow: (ruleId: string) => void;
  /** What becomes of the call that is asked about. */
  ask: (office: OfficeIndex) => RouteTrace;
  /** Asks of a call at that moment. */
  onAskAt: (at: number) => void;
}

/** The rules in their order, each in a sentence; the one that the asked call uses is lit, the others say why they don't apply. */
export function RuleList({
  plan,
  office,
  trace,
  findings,
  shownRuleId,
  onShow,
  ask,
  onAskAt,
}: RuleListProps) {
  const styles = useStyles();
  const { colours } = useTheme();
  const dispatch = useAppDispatch();
  const [editing, setEditing] = useState<string | null>(null);
  const [isChoosing, setChoosing] = useState(false);
  const [isOnce, setOnce] = useState(false);
  const drag = useRuleDrag(plan);
  const move = (id: string, to: number) => dispatch(editPlan((old) => edits.moveRule(old, id, to)));
  const begin = () => {
    const begun = beginRule(plan, office);
    dispatch(editPlan(() => begun.plan));
    onShow(begun.ruleId);
  };
  const takenId = takenRuleId(trace);
  return (
    <View>
      <View role="list" aria-label="Rules, the first that fits decides">
        {plan.rules.map((rule, index) => {
          const isTaken = rule.id === takenId;
          const found = findings.filter(({ place }) => place.ruleId === rule.id).length;
          return (
            <View
              key={rule.id}
              role="listitem"
              onLayout={drag.onLayout(rule.id)}
              style={[styles.rule, isTaken && styles.lit, drag.heldId === rule.id && styles.held]}
            >
              <View
                style={[styles.grip, { touchAction: 'none', cursor: 'grab' } as object]}
                aria-hidden
                {...(drag.pointer(rule.id) as object)}
              >
                <View style={styles.bar} />
                <View style={styles.bar} />
                <View style={styles.bar} />
              </View>
              <View style={styles.words}>
                <Txt as="strong">{`${index + 1}. ${rule.name}`}</Txt>
                <Txt>{describeRule(rule, office, plan.personId)}</Txt>
                <Txt as="small" colour={isTaken ? colours.ink : colours.faint}>
                  {isTaken ? 'This call goes by it' : misfitWords(rule.id, trace)}
                  {found > 0 ? ` · ${found} found` : ''}
                </Txt>
                <View style={styles.acts}>
                  {shownRuleId === rule.id ? null : (
                    <Plate
                      word="Show"
                      label={`Show the seconds of ${rule.name}`}
                      onPress={() => onShow(rule.id)}
                    />
                  )}
                  <Plate
                    word="When"
                    label={`Change when ${rule.name} is for`}
                    onPress={() => setEditing(rule.id)}
                  />
                  <Plate
                    word="Up"
                    label={`Move ${rule.name} up`}
                    disabled={index === 0}
                    onPress={() => move(rule.id, index - 1)}
                  />
                  <Plate
                    word="Down"
                    label={`Move ${rule.name} down`}
                    disabled={index === plan.rules.length - 1}
                    onPress={() => move(rule.id, index + 1)}
                  />
                  <Plate
                    word="Remove"
                    label={`Remove the rule ${rule.name}`}
                    onPress={() => dispatch(editPlan((old) => edits.removeRule(old, rule.id)))}
                  />
                </View>
              </View>
            </View>
          );
        })}
      </View>
      {plan.rules.length === 0 ? <Txt>No rule yet: every call goes to your mailbox at once.</Txt> : null}
      <View style={styles.foot}>
        <Plate word="Begin from a template" onPress={() => setChoosing(true)} />
        <Plate word="New rule" onPress={begin} />
        <Plate word="For once" onPress={() => setOnce(true)} />
      </View>
      {editing === null ? null : (
        <RuleSheet plan={plan} ruleId={editing} office={office} onClose={() => setEditing(null)} />
      )}
      {isChoosing ? (
        <TemplateSheet
          plan={plan}
          office={office}
          ask={ask}
          onClose={() => setChoosing(false)}
          onAdded={onShow}
        />
      ) : null}
      {isOnce ? (
        <ForOnceSheet plan={plan} office={office} onClose={() => setOnce(false)} onAdded={onAskAt} />
      ) : null}
    </View>
  );
}

/** Rules pulled up and down by their grip: the place is that of the row the pointer is over when it is let go. */
function useRuleDrag(plan: RingPlan) {
  const dispatch = useAppDispatch();
  const rows = useRef(new Map<string, { y: number; height: number }>());
  const startY = useRef(0);
  const [heldId, setHeldId] = useState<string | null>(null);
  const letGo = (id: string, y: number) => {
    setHeldId(null);
    const own = rows.current.get(id);
    if (!own) return;
    const middle = own.y + own.height / 2 + (y - startY.current);
    const above = plan.rules.filter((rule) => {
      const row = rows.current.get(rule.id);
      return rule.id !== id && row !== undefined && row.y + row.height / 2 < middle;
    });
    const before = plan.rules.findIndex((rule) => rule.id === id);
    if (above.length !== before) dispatch(editPlan((old) => edits.moveRule(old, id, above.length)));
  };
  return {
    heldId,
    onLayout: (id: string) => (event: LayoutChangeEvent) => {
      rows.current.set(id, event.nativeEvent.layout);
    },
    pointer: (id: string) => ({
      onPointerDown: (event: {
        nativeEvent: { clientY: number; pointerId: number };
        currentTarget: { setPointerCapture?: (pointerId: number) => void };
      }) => {
        event.currentTarget.setPointerCapture?.(event.nativeEvent.pointerId);
        startY.current = event.nativeEvent.clientY;
        setHeldId(id);
      },
      onPointerUp: (event: { nativeEvent: { clientY: number } }) => letGo(id, event.nativeEvent.clientY),
      onPointerCancel: () => setHeldId(null),
    }),
  };
}
