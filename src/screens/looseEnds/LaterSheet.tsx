import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import type { LooseEnd } from '@/core/inbox/looseEnds';
import { nextFirstHour } from '@/core/plans/routing';
import { formatDayAndClock } from '@/core/shared/time';
import {
  selectMyId,
  selectOffice,
  selectZone,
  useAppDispatch,
  useAppSelector,
  useServices,
} from '@/state/app';
import { putOff } from '@/state/inbox';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { space } from '@/ui/tokens';

import { WhenEntry } from '../shared/WhenEntry';

const minuteMs = 60_000;

/** Until when somebody is to be left alone. */
export function LaterSheet({ end, onClose }: { end: LooseEnd; onClose: () => void }) {
  const dispatch = useAppDispatch();
  const { clock } = useServices();
  const office = useAppSelector(selectOffice);
  const zone = useAppSelector(selectZone);
  const myId = useAppSelector(selectMyId);
  const [opened] = useState(() => clock.now());
  const firstHour = nextFirstHour(office, myId, opened);
  const put = (until: number) => {
    void dispatch(putOff(end, until));
    onClose();
  };
  return (
    <Sheet title={`${end.who.name} comes back`} onClose={onClose}>
      <View style={styles.stack}>
        <Plate word="In 15 min" onPress={() => put(opened + 15 * minuteMs)} />
        <Plate word="In 1 h" onPress={() => put(opened + 60 * minuteMs)} />
        {firstHour === null ? null : (
          <Plate
            word={`${formatDayAndClock(firstHour, opened, zone)}, my first hour`}
            onPress={() => put(firstHour)}
          />
        )}
        <WhenEntry label="Another time, such as 14:30 or Fri 9:00" word="Then" onTake={put} />
      </View>
    </Sheet>
  );
}

const styles = StyleSheet.create({ stack: { gap: space.s } });
