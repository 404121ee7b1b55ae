import { StyleSheet, View } from 'react-native';

import { describeFinish, type OfficeIndex, type RingPlan } from '@/core/setup';
import { layOutRule, templatesFor, targetWords, type PlanTemplate } from '@/core/plans/editing';
import type { RouteTrace } from '@/core/plans/routing';
import { editPlan, useAppDispatch } from '@/state/app';
import { Plate } from '@/ui/plate';
import { RingScale, type RingTrack } from '@/ui/scale';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';

import { takenRuleId } from './planWords';

interface TemplateSheetProps {
  plan: RingPlan;
  office: OfficeIndex;
  /** What becomes of the call that is asked about. */
  ask: (office: OfficeIndex) => RouteTrace;
  onClose: () => void;
  /** A rule was added. */
  onAdded: (ruleId: string) => void;
}

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    template: { gap: space.s, paddingVertical: space.m, borderTopWidth: 1, borderColor: colours.rule },
    act: { alignSelf: 'flex-start' },
  }),
);

/** Ways to begin, each drawn as what it would make ring. */
export function TemplateSheet({ plan, office, ask, onClose, onAdded }: TemplateSheetProps) {
  const styles = useStyles();
  const dispatch = useAppDispatch();
  const choose = (template: PlanTemplate) => {
    dispatch(editPlan(template.apply));
    onAdded(template.rule.id);
    onClose();
  };
  const decides = ({ apply, rule }: PlanTemplate) =>
    takenRuleId(ask(office.withPlan(apply(plan)))) === rule.id;
  return (
    <Sheet title="Begin from a template" onClose={onClose}>
      {templatesFor(office, plan.personId, plan).map((template) => {
        const { stages, finishSeconds } = layOutRule(template.rule, office);
        const finish = describeFinish(template.rule.finish, office, plan.personId);
        const tracks = stages.flatMap((stage, index) =>
          stage.targets.map((each): RingTrack => {
            const target = template.rule.stages[index]?.targets[each.target];
            return {
              key: `${index} ${each.target}`,
              label: target ? targetWords(target, office, plan.personId) : '',
              fromSeconds: each.fromSeconds,
              toSeconds: each.toSeconds,
              state: 'toCome',
            };
          }),
        );
        return (
          <View key={template.id} style={styles.template}>
            <Txt as="heading" level={3}>
              {template.word}
            </Txt>
            <Txt>{template.sentence}</Txt>
            {tracks.length > 0 ? (
              <RingScale tracks={tracks} totalSeconds={finishSeconds} finish={finish} />
            ) : (
              <Txt as="mono">{`0 s: ${finish}`}</Txt>
            )}
            <Txt as="small">
              {`${template.place} The call asked about ${decides(template) ? 'goes by it' : 'does not go by it'}.`}
            </Txt>
            <Plate
              word="Take this one"
              label={`Take this one: ${template.word}`}
              style={styles.act}
              onPress={() => choose(template)}
            />
          </View>
        );
      })}
    </Sheet>
  );
}
