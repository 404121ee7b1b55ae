import { useEffect, useMemo, useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';

import { checkPlan } from '@/core/plans/checks';
import { describeSteps } from '@/core/calls/history';
import { describeFinish, type RingPlan } from '@/core/setup';
import { selectMyPlan, useAppSelector, useAppStore } from '@/state/app';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

import { useLayout } from '../shared/useLayout';
import { FindingLine } from './FindingLine';
import { OnwardPart } from './OnwardPart';
import { atOnceWords, takenRuleId } from './planWords';
import { QuestionLine } from './QuestionLine';
import { RuleGlance } from './RuleGlance';
import { RuleList } from './RuleList';
import { RuleScale } from './RuleScale';
import { selectPastCalls } from './selectPastCalls';
import { TryBar } from './TryBar';
import type { useQuestion } from './useQuestion';
import { useTry } from '../shared/useTry';

/** One call: the question, its seconds to be pulled, what is wrong with them, why, and the rules in their order. */
export function CallView({ of }: { of: ReturnType<typeof useQuestion> }) {
  const { isWide } = useLayout();
  const store = useAppStore();
  const { question, myId, now, ask } = of;
  const kept = useAppSelector(selectMyPlan);
  const signedIn = useAppSelector((state) => state.office.signedIn);
  const isPastRead = useAppSelector((state) => state.history.isComplete);
  const [preview, setPreview] = useState<RingPlan | null>(null);
  const [shown, setShown] = useState<string | null>(null);
  const [askedAt, setAskedAt] = useState<number | null>(null);
  const seconds = useRef<View>(null);
  // Who asks for a rule's seconds, or for a moment's, from far below them is taken there.
  useEffect(() => {
    if (shown !== null || askedAt !== null) seconds.current?.focus();
  }, [shown, askedAt]);
  const plan = preview ?? kept;
  const office = useMemo(() => (preview ? of.office.withPlan(preview) : of.office), [of.office, preview]);
  const trace = useMemo(() => (preview ? ask(office) : of.trace), [preview, office, ask, of.trace]);
  const findings = useMemo(() => {
    // What the usual traffic is can only be read once all of the past is there.
    const pastCalls = () => (isPastRead ? selectPastCalls(store.getState()) : []);
    return checkPlan(office, myId, { now, isSignedIn: (id) => signedIn.includes(id), pastCalls });
  }, [store, office, myId, now, isPastRead, signedIn]);
  const takenId = takenRuleId(trace);
  const rule = plan.rules.find(({ id }) => id === (shown ?? takenId)) ?? null;
  const tried = useTry(trace.finishSeconds);
  const general = findings.filter(({ place }) => place.ruleId === undefined);
  const isOfCall = rule !== null && rule.id === takenId;
  // The whole first: on a phone before the seconds, on a wide window beside them.
  const glance =
    plan.rules.length < 2 ? null : (
      <RuleGlance
        plan={plan}
        office={office}
        trace={trace}
        shownRuleId={rule?.id ?? null}
        onShow={setShown}
      />
    );
  return (
    <View style={isWide ? styles.columns : styles.stack}>
      <View style={[styles.stack, isWide && styles.column]}>
        <QuestionLine
          of={{
            ...of,
            setQuestion: (next) => {
              of.setQuestion(next);
              setShown(null);
            },
          }}
        />
        {isWide ? null : glance}
        {rule ? (
          <View style={styles.part}>
            <View ref={seconds} tabIndex={-1}>
              <Txt as="heading" level={2}>
                {isOfCall ? 'Seconds' : `Seconds of “${rule.name}”`}
              </Txt>
            </View>
            <RuleScale
              plan={plan}
              rule={rule}
              office={office}
              findings={findings}
              nowSeconds={isOfCall ? (tried.nowSeconds ?? undefined) : undefined}
              onPreview={setPreview}
            />
          </View>
        ) : (
          <View style={styles.part}>
            <Txt as="heading" level={2}>
              Seconds
            </Txt>
            <Txt>{`Nothing rings: ${atOnceWords(trace)} ${describeFinish(trace.finish, office, myId)}.`}</Txt>
          </View>
        )}
        <OnwardPart of={of} office={office} trace={trace} />
        <TryBar question={question} office={office} myId={myId} trace={trace} of={tried} />
      </View>
      <View style={[styles.stack, isWide && styles.column]}>
        {isWide ? glance : null}
        {general.length > 0 ? (
          <View style={styles.part}>
            <Txt as="heading" level={2}>
              Found in the whole plan
            </Txt>
            {general.map((finding) => (
              <FindingLine key={`${finding.code} ${finding.sentence}`} finding={finding} />
            ))}
          </View>
        ) : null}
        <View style={styles.part}>
          <Txt as="heading" level={2}>
            Rules
          </Txt>
          <RuleList
            plan={plan}
            office={office}
            trace={trace}
            findings={findings}
            shownRuleId={rule?.id ?? null}
            onShow={setShown}
            ask={ask}
            onAskAt={(at) => {
              of.setQuestion({ ...question, at });
              setShown(null);
              setAskedAt(at);
            }}
          />
        </View>
        <View style={styles.part}>
          <Txt as="heading" level={2}>
            Why
          </Txt>
          {describeSteps(trace, office).map((sentence) => (
            <Txt key={sentence}>{sentence}</Txt>
          ))}
        </View>
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  stack: { gap: space.l },
  columns: { flexDirection: 'row', gap: space.xl, alignItems: 'flex-start' },
  column: { flex: 1, minWidth: 0 },
  part: { gap: space.s },
});
