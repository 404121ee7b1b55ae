import { useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';

import type { OfficeIndex, RingPlan, RingRule } from '@/core/setup';
import { edits, layOutRule, targetWords, type TargetPlace } from '@/core/plans/editing';
import type { Finding } from '@/core/plans/checks';
import { editPlan, useAppDispatch } from '@/state/app';
import { PullScale, type PullTrack } from '@/ui/planScale';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

import { FinishLine } from './FinishLine';
import { FindingLine } from './FindingLine';
import { AddStage, StageFoot, StageHead } from './StageParts';
import { TargetPanel } from './TargetPanel';

interface RuleScaleProps {
  plan: RingPlan;
  rule: RingRule;
  office: OfficeIndex;
  findings: readonly Finding[];
  nowSeconds?: number;
  /** Shows a plan while a bar is being pulled, before it is a change. */
  onPreview: (plan: RingPlan | null) => void;
}

const keyOf = (stage: number, target: number) => `${stage} ${target}`;

/** The seconds of one rule: stages one below the other, a bar for each that rings, and the finish at the end. */
export function RuleScale({ plan, rule, office, findings, nowSeconds, onPreview }: RuleScaleProps) {
  const dispatch = useAppDispatch();
  const [selected, setSelected] = useState<string | null>(null);
  const laid = useMemo(() => layOutRule(rule, office), [rule, office]);
  const placeOf = (key: string): TargetPlace => {
    const [stage = 0, target = 0] = key.split(' ').map(Number);
    return { ruleId: rule.id, stage, target };
  };
  const findingsAt = (stage: number, target: number) =>
    findings.filter(({ place }) => isAt(place, rule, stage, target));
  const pull = (key: string, from: number, to: number, isDone: boolean) => {
    const place = placeOf(key);
    const start = laid.stages[place.stage]?.fromSeconds ?? 0;
    const change = (old: RingPlan) => edits.pull(old, place, from - start, to - start);
    onPreview(isDone ? null : change(plan));
    if (isDone) dispatch(editPlan(change));
  };
  const rest = findings.filter(({ place }) => place.ruleId === rule.id && place.stage === undefined);
  return (
    <View style={styles.all}>
      <PullScale
        finishSeconds={laid.finishSeconds}
        nowSeconds={nowSeconds}
        selectedKey={selected}
        onSelect={setSelected}
        onPull={pull}
        under={(key) => {
          const place = placeOf(key);
          return (
            <>
              {findingsAt(place.stage, place.target).map((finding) => (
                <FindingLine key={finding.code} finding={finding} />
              ))}
              {key === selected ? (
                <TargetPanel place={place} rule={rule} office={office} onGone={() => setSelected(null)} />
              ) : null}
            </>
          );
        }}
        stages={laid.stages.map((stage, index) => ({
          key: String(index),
          head: <StageHead rule={rule} stage={index} office={office} personId={plan.personId} />,
          foot: <StageFoot rule={rule} stage={index} office={office} personId={plan.personId} />,
          tracks: stage.targets.map((each): PullTrack => {
            const target = rule.stages[index]?.targets[each.target];
            const worst = findingsAt(index, each.target)[0]?.severity;
            return {
              key: keyOf(index, each.target),
              label: target ? capital(targetWords(target, office, plan.personId)) : '',
              fromSeconds: each.fromSeconds,
              toSeconds: each.toSeconds,
              cutAtSeconds: each.cutAtSeconds,
              leastSeconds: stage.fromSeconds,
              marks: [
                ...(target?.acceptKey || target?.saysName ? ['key'] : []),
                ...(target?.saysName ? ['name'] : []),
                ...(each.canRing ? [] : ['gone']),
              ],
              tone: worst === 'alarm' ? 'alarm' : worst ? 'attention' : 'well',
            };
          }),
        }))}
      />
      {laid.stages.length === 0 ? (
        <>
          <Txt>Nothing rings.</Txt>
          <AddStage word="Ring something" {...{ rule, office }} stage={0} personId={plan.personId} />
        </>
      ) : null}
      <FinishLine rule={rule} office={office} personId={plan.personId} atSeconds={laid.finishSeconds} />
      {rest.map((finding) => (
        <FindingLine key={finding.code} finding={finding} />
      ))}
    </View>
  );
}

/** Whether something was found about this very target. */
function isAt(place: Finding['place'], rule: RingRule, stage: number, index: number): boolean {
  const target = rule.stages[stage]?.targets[index];
  if (!target || place.ruleId !== rule.id || place.stage !== stage) return false;
  if ('deviceId' in target) return target.deviceId === place.deviceId;
  if ('number' in target) return target.number === place.number;
  // What was found of one of a colleague's or a team's phones is said once, at the first such bar.
  const named = rule.stages[stage]?.targets.some(
    (each) => 'deviceId' in each && each.deviceId === place.deviceId,
  );
  const firstOpen = rule.stages[stage]?.targets.findIndex((each) => 'personId' in each || 'teamId' in each);
  return !named && firstOpen === index && (place.number ?? null) === null;
}

const capital = (word: string) => word.charAt(0).toUpperCase() + word.slice(1);

const styles = StyleSheet.create({ all: { gap: space.s } });
