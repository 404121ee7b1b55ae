import { StyleSheet, View } from 'react-native';

import type { Finding } from '@/core/plans/checks';
import { nameOf } from '@/core/setup';
import type { OfficeProblem } from '@/core/setup/changes';
import { editOf, type SetupRow } from '@/core/setup/edits';
import { selectMyId, selectOffice, useAppDispatch, useAppSelector } from '@/state/app';
import { changeOffice, selectRunsOffice } from '@/state/configuration';
import { EmptyState, Problem } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { space } from '@/ui/tokens';

import { ListScreen } from '../../shared/ListScreen';
import { useGo } from '../../shared/useGo';
import { Gone } from '../form/Gone';
import { useFindings } from './useFindings';

/**
 * What is wrong with the office, each with what mends it in one tap: how it is configured, and where calls would be lost by somebody's plan.
 */
export function FindingsScreen() {
  const go = useGo();
  const runs = useAppSelector(selectRunsOffice);
  const { problems, lost, looked } = useFindings();
  if (!runs) return <Gone what="Only whoever runs the office sees this." />;
  const isNothing = problems.length === 0 && lost.length === 0;
  return (
    <ListScreen title="What is wrong" foot={<Plate word="Office" onPress={go.office} />}>
      {isNothing ? (
        <EmptyState
          title={lookedWords[looked]}
          sentence="How the office is configured, and where calls would be lost by anybody’s plan."
        />
      ) : (
        <View style={styles.part} role="region" aria-label="What is wrong">
          {problems.map((problem) => (
            <OfOffice
              key={`${problem.table} ${problem.id} ${problem.field} ${problem.sentence}`}
              problem={problem}
            />
          ))}
          {lost.map((finding) => (
            <OfPlan key={`${finding.personId} ${finding.sentence}`} finding={finding} />
          ))}
        </View>
      )}
    </ListScreen>
  );
}

const lookedWords = {
  notYet: 'Calls are being looked at',
  done: 'Nothing is wrong',
  cannot: 'Calls can’t be looked at now',
};

function OfOffice({ problem: { sentence, repair } }: { problem: OfficeProblem }) {
  const dispatch = useAppDispatch();
  return (
    <View style={styles.finding}>
      <Problem sentence={sentence} />
      {repair ? (
        <Plate
          word={repair.word}
          onPress={() => void dispatch(changeOffice(repair.edits, 'It is mended.'))}
        />
      ) : null}
    </View>
  );
}

/** As whoever has the plan is told of it: of somebody else's in their words. */
function OfPlan({ finding: { personId, sentence, repair } }: { finding: Finding }) {
  const dispatch = useAppDispatch();
  const office = useAppSelector(selectOffice);
  const isMine = useAppSelector(selectMyId) === personId;
  const name = nameOf(personId, office);
  const mend = (row: object) =>
    void dispatch(
      changeOffice(
        [editOf(office.setup, 'ringPlans', personId, row as SetupRow)],
        isMine ? 'Your plan is mended.' : `${name}’s plan is mended.`,
      ),
    );
  return (
    <View style={styles.finding}>
      <Problem sentence={isMine ? sentence : `${name} is told of their plan: “${sentence}”`} />
      {repair ? (
        <Plate
          word={isMine ? repair.word : `For ${name}: “${repair.word}”`}
          onPress={() => mend(repair.plan)}
        />
      ) : null}
    </View>
  );
}

const styles = StyleSheet.create({
  part: { gap: space.l, padding: space.l, maxWidth: 640 },
  finding: { gap: space.s },
});
