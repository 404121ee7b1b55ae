import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import type { RouteTrace } from '@/core/plans/routing';
import {
  draftRedone,
  draftUndone,
  dropPlanChanges,
  selectIsPlanChanged,
  selectMyId,
  selectOffice,
  selectPlanDraft,
  useAppDispatch,
  useAppSelector,
} from '@/state/app';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';

import { MoreToggle } from '../shared/MoreToggle';
import { useLayout } from '../shared/useLayout';
import { LossesAsked, useIntoForce } from './LossesAsked';
import { ringsWords } from './planWords';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    bar: {
      borderTopWidth: 1,
      borderColor: colours.ink,
      backgroundColor: colours.sheet,
      paddingHorizontal: space.m,
      paddingVertical: space.s,
      gap: space.s,
    },
    acts: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: space.s },
    grow: { flexGrow: 1 },
  }),
);

/** What the changed plan does otherwise with the asked call, before it takes force; and every step back and forth. */
export function DraftBar({ before, after }: { before: RouteTrace; after: RouteTrace }) {
  const styles = useStyles();
  const dispatch = useAppDispatch();
  const office = useAppSelector(selectOffice);
  const myId = useAppSelector(selectMyId);
  const isChanged = useAppSelector(selectIsPlanChanged);
  const { past, future } = useAppSelector(selectPlanDraft);
  const [isComparing, setComparing] = useState(false);
  const [showsMore, setShowsMore] = useState(false);
  const { isLow } = useLayout();
  // On a low screen the plan itself needs the room.
  const mayFold = isChanged && isLow;
  const isFolded = mayFold && !showsMore;
  const intoForce = useIntoForce();
  if (!isChanged && past.length === 0 && future.length === 0) return null;
  if (isChanged && intoForce.losses.length > 0)
    return (
      <View style={styles.bar} role="region" aria-label="Changes of the plan">
        <LossesAsked {...intoForce} />
      </View>
    );
  const [was, is] = [before, after].map((trace) => ringsWords(trace, office, myId));
  return (
    <View style={styles.bar} role="region" aria-label="Changes of the plan">
      {isChanged ? (
        <Txt as="small">
          {isFolded
            ? 'Changed, not in force yet.'
            : 'Changed, and kept here. Calls still go by the plan in force.'}
        </Txt>
      ) : null}
      {isChanged && isComparing && !isFolded ? (
        <View>
          <Txt as="small">{`In force: ${was}`}</Txt>
          <Txt as="small">{is === was ? 'Changed: this call goes the same way.' : `Changed: ${is}`}</Txt>
        </View>
      ) : null}
      <View style={styles.acts}>
        {isFolded ? null : (
          <>
            <Plate again word="Undo" disabled={past.length === 0} onPress={() => dispatch(draftUndone())} />
            <Plate again word="Redo" disabled={future.length === 0} onPress={() => dispatch(draftRedone())} />
          </>
        )}
        {isChanged && !isFolded ? (
          <>
            <Plate word="Compare" pressed={isComparing} onPress={() => setComparing(!isComparing)} />
            <Plate word="Drop" label="Drop the changes" onPress={() => dispatch(dropPlanChanges())} />
          </>
        ) : null}
        {isChanged ? (
          <Plate word="Put it into force" kind="main" style={styles.grow} onPress={intoForce.ask} />
        ) : null}
        {mayFold ? (
          <MoreToggle of="the changes" isOpen={showsMore} onToggle={() => setShowsMore(!showsMore)} />
        ) : null}
      </View>
    </View>
  );
}
