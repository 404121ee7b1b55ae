import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import { checkPlan, type Finding } from '@/core/plans/checks';
import type { RingPlan } from '@/core/setup';
import {
  putPlanIntoForce,
  selectChangedOffice,
  selectMyPlan,
  useAppDispatch,
  useAppSelector,
  useAppStore,
  useServices,
} from '@/state/app';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, useTheme } from '@/ui/tokens';

/** More than this would cover the plan they are about; the others stand in it. */
const mostNamed = 3;

/** Puts my plan into force, but one that loses calls only after it was said which, and for this very plan. */
export function useIntoForce() {
  const dispatch = useAppDispatch();
  const store = useAppStore();
  const { clock } = useServices();
  const plan = useAppSelector(selectMyPlan);
  const [asked, setAsked] = useState<{ of: RingPlan; losses: Finding[] } | null>(null);
  const confirm = () => {
    setAsked(null);
    void dispatch(putPlanIntoForce());
  };
  const ask = () => {
    const state = store.getState();
    const found = checkPlan(selectChangedOffice(state), plan.personId, {
      now: clock.now(),
      isSignedIn: (id) => state.office.signedIn.includes(id),
      // What a plan costs loses no call.
      pastCalls: () => [],
    });
    const losses = found.filter(({ severity }) => severity === 'alarm');
    if (losses.length > 0) setAsked({ of: plan, losses });
    else confirm();
  };
  return { ask, losses: asked?.of === plan ? asked.losses : [], confirm, goOn: () => setAsked(null) };
}

interface LossesAskedProps extends Pick<ReturnType<typeof useIntoForce>, 'losses' | 'confirm' | 'goOn'> {
  /** What loses them, and what is done all the same. */
  title?: string;
  word?: string;
}

/** Which calls are lost by what is about to take force, and whether it is to all the same. */
export function LossesAsked({
  losses,
  confirm,
  goOn,
  title = 'This plan loses calls',
  word = 'Put it into force anyway',
}: LossesAskedProps) {
  const { colours } = useTheme();
  const others = losses.length - mostNamed;
  return (
    <View role="alert" style={[styles.all, { borderColor: colours.rowan }]}>
      <Txt as="strong">{title}</Txt>
      {losses.slice(0, mostNamed).map(({ sentence }) => (
        <Txt key={sentence} as="small">
          {sentence}
        </Txt>
      ))}
      {others > 0 ? <Txt as="small">{`And ${others} more, marked red in the plan.`}</Txt> : null}
      <View style={styles.acts}>
        <Plate word={word} kind="end" style={styles.grow} onPress={confirm} />
        <Plate word="Go on changing" kind="main" style={styles.grow} onPress={goOn} />
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  all: { gap: space.s, borderLeftWidth: 6, paddingLeft: space.m },
  acts: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  grow: { flexGrow: 1 },
});
