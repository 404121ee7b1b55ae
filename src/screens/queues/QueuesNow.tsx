import { StyleSheet, View } from 'react-native';

import { selectOffice, useAppSelector, useNow } from '@/state/app';
import { selectAllQueues, type QueueView } from '@/state/queues';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

import { countWords, memberWords, waitingWords } from './queueWords';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    section: { gap: space.m },
    team: { backgroundColor: colours.sheet, borderWidth: 1, borderColor: colours.edge },
    head: { padding: space.m, gap: space.xs },
    waits: { borderLeftWidth: 7, borderColor: colours.rowan },
    member: {
      flexDirection: 'row',
      flexWrap: 'wrap',
      columnGap: space.m,
      borderTopWidth: 1,
      borderColor: colours.rule,
      paddingHorizontal: space.m,
      paddingVertical: space.s,
    },
    name: { flexGrow: 1, flexBasis: 130 },
  }),
);

/** For whoever runs the office: team by team who is free, at a call or on a break, since when, and what waits. */
export function QueuesNow() {
  const styles = useStyles();
  const now = useNow(1000);
  const queues = useAppSelector((state) => selectAllQueues(state, now));
  if (queues.length === 0) return null;
  return (
    <View style={styles.section} role="region" aria-label="Who waits for a team">
      <Txt as="heading" level={2}>
        Who waits now
      </Txt>
      {queues.map((queue) => (
        <TeamNowPart key={queue.team.id} queue={queue} at={now} />
      ))}
    </View>
  );
}

function TeamNowPart({ queue: { team, now }, at }: { queue: QueueView; at: number }) {
  const styles = useStyles();
  const { colours } = useTheme();
  const office = useAppSelector(selectOffice);
  return (
    <View style={[styles.team, now.waiting.length > 0 && styles.waits]}>
      <View style={styles.head}>
        <Txt as="strong">{`${team.name}: ${waitingWords(now, at)}`}</Txt>
        <Txt as="small" colour={colours.faint}>
          {countWords(now)}
        </Txt>
      </View>
      <View role="list" aria-label={`Members of ${team.name}`}>
        {now.members.map((member) => (
          <View key={member.personId} role="listitem" style={styles.member}>
            <Txt style={styles.name}>{office.people.get(member.personId)?.name ?? 'Somebody'}</Txt>
            <Txt as="small">{memberWords(member, at)}</Txt>
          </View>
        ))}
      </View>
    </View>
  );
}
