import { StyleSheet, View } from 'react-native';

import type { Finding } from '@/core/plans/checks';
import { nameOf } from '@/core/setup';
import type { OfficeProblem } from '@/core/setup/changes';
import { editOf, type SetupRow } from '@/core/setup/edits';
import { selectMyId, selectOffice, useAppDispatch, useAppSelector } from '@/state/app';
import { changeOffice } from '@/state/configuration';
import { Problem } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { space } from '@/ui/tokens';

/** What is wrong with how the office is configured, with what mends it. */
export function OfOffice({ problem: { sentence, repair } }: { problem: OfficeProblem }) {
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
export function OfPlan({ finding: { personId, sentence, repair } }: { finding: Finding }) {
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

const styles = StyleSheet.create({ finding: { gap: space.s } });
