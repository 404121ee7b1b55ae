import { useLocalSearchParams } from 'expo-router';
import { useEffect, useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';

import { dropOverRules, selectMyPlan, useAppDispatch, useAppSelector, useNow } from '@/state/app';
import { CordEdge } from '@/ui/cord';
import { Choice } from '@/ui/field';
import { space } from '@/ui/tokens';

import { CallView } from './CallView';
import { DraftBar } from './DraftBar';
import { FilesPart } from './FilesPart';
import { FindMePart } from './FindMePart';
import { GreetingsPart } from './GreetingsPart';
import { HoursView } from './HoursView';
import { LookBackView } from './LookBackView';
import { useQuestion } from './useQuestion';
import { WeekView } from './WeekView';
import { ScreenTitle } from '../shared/ScreenTitle';

const views = [
  { value: 'call', word: 'A call' },
  { value: 'week', word: 'Week' },
  { value: 'lookBack', word: 'Look back' },
  { value: 'hours', word: 'Hours' },
  { value: 'greetings', word: 'Greetings' },
  { value: 'findMe', word: 'Find me' },
  { value: 'files', word: 'Files' },
] as const;
type View_ = (typeof views)[number]['value'];

/** The ring plan: one call in its seconds, the week, the past, and what else belongs to it, each under its name. */
export function PlanScreen() {
  const { see } = useLocalSearchParams<{ see?: string }>();
  const [view, setView] = useState<View_>(() => views.find(({ value }) => value === see)?.value ?? 'call');
  const [asked, setAsked] = useState(see);
  // A link leads to what it asks for, also where the plan is open already.
  if (asked !== see) {
    setAsked(see);
    setView(views.find(({ value }) => value === see)?.value ?? view);
  }
  const of = useQuestion();
  const dispatch = useAppDispatch();
  const plan = useAppSelector(selectMyPlan);
  const now = useNow(60_000);
  useEffect(() => void dispatch(dropOverRules()), [dispatch, now]);
  const line = of.office.lines.get(of.question.line);
  return (
    <View style={styles.screen}>
      <CordEdge cord={line?.cord ?? null} run="across" width={10} />
      <ScrollView contentContainerStyle={styles.body} tabIndex={0}>
        <ScreenTitle>Ring plan</ScreenTitle>
        <Choice asStrip label="See" value={view} options={views} onChoose={setView} />
        {view === 'call' ? <CallView of={of} /> : null}
        {view === 'week' ? <WeekView of={of} onSee={() => setView('call')} /> : null}
        {view === 'lookBack' ? <LookBackView /> : null}
        {view === 'hours' ? <HoursView plan={plan} office={of.office} /> : null}
        {view === 'greetings' ? <GreetingsPart plan={plan} office={of.office} /> : null}
        {view === 'findMe' ? <FindMePart plan={plan} office={of.office} /> : null}
        {view === 'files' ? <FilesPart plan={plan} office={of.office} /> : null}
      </ScrollView>
      <DraftBar before={of.traceInForce} after={of.trace} />
    </View>
  );
}

const styles = StyleSheet.create({
  screen: { flex: 1, minHeight: 0 },
  body: { padding: space.l, gap: space.l },
});
