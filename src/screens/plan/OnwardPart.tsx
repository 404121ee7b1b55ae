import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import type { OfficeIndex } from '@/core/setup';
import { allFree, journeyOf, type RouteTrace } from '@/core/plans/routing';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

import { JourneyStops } from '../shared/JourneyStops';
import { calledBy, type useQuestion } from './useQuestion';

interface OnwardPartProps {
  of: Pick<ReturnType<typeof useQuestion>, 'question' | 'myId' | 'at' | 'situation'>;
  office: OfficeIndex;
  trace: RouteTrace;
}

/** Where a call goes that leaves this plan by a forward: through colleagues, teams and menus to its end. */
export function OnwardPart({ of: { question, myId, at, situation }, office, trace }: OnwardPartProps) {
  const [keys, setKeys] = useState<readonly string[]>([]);
  if (trace.finish.kind !== 'forward') return null;
  const calledSituation = situation === 'none' ? null : situation;
  const world = { ...allFree(at), calledSituation };
  const journey = journeyOf(office, calledBy(office, myId, question), world, keys);
  if (journey.stops.length < 2) return null;
  return (
    <View style={styles.part} role="region" aria-label="And then">
      <Txt as="heading" level={2}>
        And then
      </Txt>
      <JourneyStops journey={journey} from={1} office={office} myId={myId} onKeys={setKeys} at={at} />
    </View>
  );
}

const styles = StyleSheet.create({
  part: { gap: space.s },
});
