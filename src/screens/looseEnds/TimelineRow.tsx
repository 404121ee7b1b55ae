import { memo } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { shallowEqual } from 'react-redux';

import { faxWords, type Fax } from '@/core/inbox/fax';
import { describeOutcome, isUntaken, talkMs } from '@/core/calls/history';
import { formatClock, formatDuration } from '@/core/shared/time';
import {
  finishFollowUp,
  selectOffice,
  selectZone,
  useAppDispatch,
  useAppSelector,
  useNow,
} from '@/state/app';
import { restoreVoicemail, type TimelineItem } from '@/state/inbox';
import { CordEdge } from '@/ui/cord';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, target, themed, useTheme } from '@/ui/tokens';

import { followUpWords } from '../followUps/followUpWords';
import { useGo } from '../shared/useGo';
import { MessageWords } from './MessageWords';
import { VoicemailWords } from './VoicemailWords';

const useStyles = themed(({ colours, size }) =>
  StyleSheet.create({
    row: {
      flexDirection: 'row',
      gap: space.s,
      paddingVertical: space.s,
      borderBottomWidth: 1,
      borderColor: colours.rule,
    },
    time: { width: size(48), paddingTop: 2 },
    words: { flex: 1, minWidth: 0, gap: space.xs },
    ours: { alignItems: 'flex-end' },
    acts: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
    call: { minHeight: target, justifyContent: 'center', alignSelf: 'stretch' },
    pressed: { backgroundColor: colours.paper },
    stack: { gap: space.s },
  }),
);

/** One thing of somebody's timeline, its time in the gutter: theirs from the left rule, ours from the right. */
export const TimelineRow = memo(TimelineRowView, (a, b) => shallowEqual(a.item, b.item));

function TimelineRowView({ item }: { item: TimelineItem }) {
  const styles = useStyles();
  const { colours } = useTheme();
  const zone = useAppSelector(selectZone);
  const office = useAppSelector(selectOffice);
  const { lineId, direction } = aboutItem(item);
  const isOurs = direction === 'out';
  const cord = <CordEdge cord={office.ever.lines.get(lineId ?? '')?.cord ?? null} width={5} />;
  return (
    <View style={styles.row}>
      <View style={styles.time}>
        <Txt as="mono" colour={colours.faint}>
          {formatClock(item.at, zone)}
        </Txt>
      </View>
      {isOurs ? null : cord}
      <View style={[styles.words, isOurs && styles.ours]}>
        <Words item={item} />
      </View>
      {isOurs ? cord : null}
    </View>
  );
}

/** The line it came or went by, and from which side it is. */
function aboutItem(item: TimelineItem): { lineId: string | null; direction: 'in' | 'out' } {
  switch (item.kind) {
    case 'call':
      return item.record;
    case 'message':
      return item.message;
    case 'fax':
      return item.fax;
    default:
      return { lineId: null, direction: 'out' };
  }
}

function Words({ item }: { item: TimelineItem }) {
  switch (item.kind) {
    case 'call':
      return <CallWords record={item.record} voicemail={item.voicemail} />;
    case 'message':
      return <MessageWords message={item.message} />;
    case 'voicemail':
      return <VoicemailWords voicemail={item.voicemail} />;
    case 'fax':
      return <FaxInTimeline fax={item.fax} />;
    case 'note':
      return (
        <>
          <Txt>{item.text}</Txt>
          <Txt as="small">Note</Txt>
        </>
      );
    case 'followUp':
      return <FollowUpWords followUp={item.followUp} />;
  }
}

function FaxInTimeline({ fax }: { fax: Fax }) {
  const styles = useStyles();
  const go = useGo();
  return (
    <Pressable
      role="button"
      onPress={() => go.fax(fax.id)}
      style={({ pressed }) => [styles.call, pressed && styles.pressed]}
    >
      <Txt as="strong">{`Fax: ${fax.title}`}</Txt>
      <Txt as="small">
        {fax.direction === 'in' && fax.readAt === null ? `${faxWords(fax)}, not read` : faxWords(fax)}
      </Txt>
    </Pressable>
  );
}

function CallWords({
  record,
  voicemail,
}: Pick<Extract<TimelineItem, { kind: 'call' }>, 'record' | 'voicemail'>) {
  const styles = useStyles();
  const dispatch = useAppDispatch();
  const { colours } = useTheme();
  const office = useAppSelector(selectOffice);
  const go = useGo();
  const talked = talkMs(record);
  const line = office.ever.lines.get(record.lineId ?? '')?.name;
  const outcome = describeOutcome(record, office);
  return (
    <>
      <Pressable
        role="button"
        onPress={() => go.record(record.id)}
        style={({ pressed }) => [styles.call, pressed && styles.pressed]}
      >
        <Txt as="strong" colour={isUntaken(record) ? colours.rowan : colours.ink}>
          {outcome}
        </Txt>
        <Txt as="small">
          {[line ?? 'inside', ...(talked > 0 ? [formatDuration(talked)] : [])].join(' · ')}
        </Txt>
      </Pressable>
      {voicemail?.deletedAt === null ? <VoicemailWords voicemail={voicemail} /> : null}
      {voicemail && voicemail.deletedAt !== null ? (
        <Plate word="Bring the voicemail back" onPress={() => dispatch(restoreVoicemail(voicemail.id))} />
      ) : null}
    </>
  );
}

function FollowUpWords({ followUp }: Pick<Extract<TimelineItem, { kind: 'followUp' }>, 'followUp'>) {
  const dispatch = useAppDispatch();
  const zone = useAppSelector(selectZone);
  const now = useNow(60_000);
  const { id, text, doneAt } = followUp;
  return (
    <>
      <Txt>{text}</Txt>
      <Txt as="small">{followUpWords(followUp, now, zone)}</Txt>
      <Plate
        word={doneAt === null ? 'Done' : 'Not done'}
        label={doneAt === null ? `Done: ${text}` : `Not done: ${text}`}
        onPress={() => dispatch(finishFollowUp(id, doneAt === null))}
      />
    </>
  );
}
