import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import type { FigureCall } from '@/core/calls/figures';
import { membersFor, serviceOf, trafficOf } from '@/core/calls/staffing';
import { formatDuration } from '@/core/shared/time';
import { Stepper } from '@/ui/field';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    part: { gap: space.m },
    table: { borderTopWidth: 1, borderColor: colours.ink },
    row: {
      flexDirection: 'row',
      flexWrap: 'wrap',
      columnGap: space.m,
      paddingVertical: space.s,
      borderBottomWidth: 1,
      borderColor: colours.rule,
    },
    people: { flexBasis: 90, flexGrow: 1 },
    detail: { flexBasis: '100%' },
    enough: { borderLeftWidth: 7, borderColor: colours.moss, paddingLeft: space.s },
  }),
);

const goal = 0.8;
const percent = (share: number) => `${Math.round(share * 100)} %`;

interface StaffingPartProps {
  calls: readonly FigureCall[];
  /** In how many hours those calls could come. */
  hours: number;
  withinSeconds: number;
}

/** With how many people the calls of such an hour are taken in time, by its own traffic; what if more came, or talks were longer. */
export function StaffingPart({ calls, hours, withinSeconds }: StaffingPartProps) {
  const styles = useStyles();
  const { colours } = useTheme();
  const [wrapUpSeconds, setWrapUp] = useState(15);
  const [more, setMore] = useState(100);
  const found = trafficOf(calls, hours, wrapUpSeconds);
  if (!found)
    return <Txt as="small">Nobody was taken then, so nothing is known of how long a call takes.</Txt>;
  const traffic = { ...found, callsPerHour: (found.callsPerHour * more) / 100 };
  const wanted = membersFor(traffic, goal, withinSeconds);
  const first = Math.max(1, (wanted ?? 1) - 2);
  const { patienceSeconds, callsPerHour, handleSeconds } = traffic;
  return (
    <View style={styles.part} role="region" aria-label="How many people it wants">
      <Txt as="heading" level={2}>
        How many people it wants
      </Txt>
      <Txt>
        {wanted === null
          ? 'Even a thousand people would not do.'
          : `With ${wanted === 1 ? 'one person' : `${wanted} people`} signed in, four of five are taken within ${withinSeconds} s.`}
      </Txt>
      <View role="list" aria-label="With so many people" style={styles.table}>
        {Array.from({ length: 5 }, (_, index) => first + index).map((members) => {
          const service = serviceOf(traffic, members, withinSeconds);
          const gaveUp = service.gaveUp > 0.005 ? `, ${percent(service.gaveUp)} give up` : '';
          const wait =
            service.meanWaitSeconds === Infinity
              ? 'the queue grows without end'
              : `${formatDuration(service.meanWaitSeconds * 1000)} on the mean`;
          return (
            <View key={members} role="listitem" style={[styles.row, members === wanted && styles.enough]}>
              <Txt as="strong" style={styles.people}>
                {members === 1 ? 'One person' : `${members} people`}
              </Txt>
              <Txt as="mono">{percent(service.takenInTime)}</Txt>
              <Txt
                as="small"
                colour={colours.faint}
                style={styles.detail}
              >{`${wait}${gaveUp}, ${percent(service.busy)} busy`}</Txt>
            </View>
          );
        })}
      </View>
      <Stepper
        {...{ label: 'What if more or fewer came', unit: '%', least: 10, most: 1000 }}
        value={more}
        onChange={setMore}
        tooSmall="It has to be 10 % at least."
      />
      <Stepper
        {...{ label: 'Time to write up after each', unit: 's', least: 0, most: 3600, onChange: setWrapUp }}
        value={wrapUpSeconds}
        tooSmall="It can’t be less than nothing."
      />
      <Txt as="small">
        {`Reckoned by ${patienceSeconds === null ? 'Erlang C' : 'Erlang A'} from ${round(callsPerHour)} calls an hour, on the mean of ${hours === 1 ? 'one day' : `${Math.round(hours)} days`}, that take ${formatDuration(handleSeconds * 1000)} each${
          patienceSeconds === null
            ? '; nobody gave up, so that all are taken to wait'
            : `, of callers who wait ${formatDuration(patienceSeconds * 1000)} on the mean before they give up`
        }.`}
      </Txt>
    </View>
  );
}

const round = (value: number) => (value >= 10 ? Math.round(value) : Math.round(value * 10) / 10);
