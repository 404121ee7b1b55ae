import { StyleSheet, View } from 'react-native';

import { useAppSelector } from '@/state/app';
import { selectRunsOffice } from '@/state/configuration';
import { EmptyState } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { space } from '@/ui/tokens';

import { ListScreen } from '../../shared/ListScreen';
import { useGo } from '../../shared/useGo';
import { Gone } from '../form/Gone';
import { OfOffice, OfPlan } from './MendableFinding';
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

const styles = StyleSheet.create({
  part: { gap: space.l, padding: space.l, maxWidth: 640 },
});
