import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import { whoOf } from '@/core/inbox/looseEnds';
import { formatDayAndClock, formatDuration } from '@/core/shared/time';
import { shelves, textOf, type Shelf, type Voicemail } from '@/core/inbox/voicemail';
import {
  identifyNumber,
  selectOffice,
  selectPeople,
  selectZone,
  useAppDispatch,
  useAppSelector,
  useNow,
} from '@/state/app';
import { restoreVoicemail, selectShelves } from '@/state/inbox';
import { CordEdge } from '@/ui/cord';
import { Choice } from '@/ui/field';
import { EmptyState } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

import { VoicemailWords } from '../looseEnds/VoicemailWords';
import { ListScreen } from '../shared/ListScreen';
import { useGo } from '../shared/useGo';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    row: {
      flexDirection: 'row',
      gap: space.m,
      paddingVertical: space.m,
      paddingRight: space.l,
      backgroundColor: colours.sheet,
      borderBottomWidth: 1,
      borderColor: colours.rule,
    },
    words: { flex: 1, minWidth: 0, gap: space.xs },
    title: { flexDirection: 'row', gap: space.m, justifyContent: 'space-between', alignItems: 'baseline' },
    name: { flexShrink: 1 },
    acts: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s, paddingTop: space.xs },
    grow: { flexGrow: 1 },
  }),
);

const shelfWords: Record<Shelf, string> = {
  unheard: 'not heard',
  heard: 'heard',
  team: 'my teams’',
  away: 'put away',
};
const emptyWords: Record<Shelf, [title: string, sentence: string]> = {
  unheard: ['All heard', 'What is said to your mailbox stands here until you have heard it.'],
  heard: ['None heard yet', 'Voicemails you have heard stay here until you put them away.'],
  team: ['None for your teams', 'What is said to a mailbox of a team of yours stands here.'],
  away: ['Nothing put away', 'What you put away can be brought back from here for a day.'],
};

/** The mailbox by itself: every voicemail of mine and of my teams, by where it lies. */
export function VoicemailsScreen() {
  const styles = useStyles();
  const go = useGo();
  const isRead = useAppSelector((state) => state.inbox.isRead);
  const onShelf = useAppSelector(selectShelves);
  const [chosen, setChosen] = useState<Shelf | null>(null);
  // A voicemail that is played here is heard, and does not leave under the thumb.
  const [opened, setOpened] = useState<string | null>(null);
  const shelf = chosen ?? (onShelf.unheard.length > 0 ? 'unheard' : 'heard');
  const inSight = shelves.flatMap((each) => onShelf[each]).find(({ id }) => id === opened);
  const shown = onShelf[shelf];
  const all = inSight && !shown.includes(inSight) ? [inSight, ...shown] : shown;
  const [title, sentence] = emptyWords[shelf];
  return (
    <ListScreen
      title="Voicemails"
      head={
        <Choice
          asStrip
          label="Which"
          value={shelf}
          options={shelves.map((value) => ({
            value,
            word:
              onShelf[value].length > 0 ? `${shelfWords[value]} ${onShelf[value].length}` : shelfWords[value],
          }))}
          onChoose={(next) => {
            setChosen(next);
            setOpened(null);
          }}
        />
      }
      foot={<Plate word="Loose ends" style={styles.grow} onPress={go.loose} />}
    >
      {all.length === 0 ? (
        <EmptyState
          title={isRead ? title : 'Reading the voicemails'}
          sentence={isRead ? sentence : 'It is being read from this device.'}
        />
      ) : null}
      <View role="list" aria-label="Voicemails">
        {all.map((voicemail) => (
          <VoicemailRow
            key={voicemail.id}
            voicemail={voicemail}
            isOpen={voicemail.id === opened}
            onOpen={() => {
              setChosen(shelf);
              setOpened(voicemail.id);
            }}
          />
        ))}
      </View>
    </ListScreen>
  );
}

interface VoicemailRowProps {
  voicemail: Voicemail;
  isOpen: boolean;
  onOpen: () => void;
}

function VoicemailRow({ voicemail, isOpen, onOpen }: VoicemailRowProps) {
  const styles = useStyles();
  const { colours } = useTheme();
  const go = useGo();
  const dispatch = useAppDispatch();
  const office = useAppSelector(selectOffice);
  const people = useAppSelector(selectPeople);
  const zone = useAppSelector(selectZone);
  const now = useNow(60_000);
  const { id, from, at, durationMs, isUrgent, transcript, mailboxId, lineId, deletedAt, callId } = voicemail;
  const who = from.personId === null ? null : office.ever.people.get(from.personId);
  const name = who?.name ?? identifyNumber(from.number, from.name, people).name;
  const about = [
    formatDuration(durationMs),
    isUrgent ? 'urgent' : '',
    office.ever.lines.get(lineId ?? '')?.name ?? '',
    office.ever.teams.get(mailboxId)?.name ?? '',
  ].filter(Boolean);
  return (
    <View role="listitem" aria-label={name} style={styles.row}>
      <CordEdge cord={office.ever.lines.get(lineId ?? '')?.cord ?? null} width={5} />
      <View style={styles.words}>
        <View style={styles.title}>
          <Txt as="strong" style={styles.name} lines={2}>
            {name}
          </Txt>
          <Txt as="mono" colour={colours.faint}>
            {formatDayAndClock(at, now, zone)}
          </Txt>
        </View>
        <Txt as="small">{about.join(' · ')}</Txt>
        {isOpen ? (
          <VoicemailWords voicemail={voicemail} />
        ) : (
          <>
            {transcript ? <Txt lines={2}>{`“${textOf(transcript)}”`}</Txt> : null}
            <View style={styles.acts}>
              {deletedAt === null ? (
                <Plate kind="main" word="Open" label={`Open the voicemail from ${name}`} onPress={onOpen} />
              ) : (
                <Plate
                  word="Bring it back"
                  label={`Bring the voicemail from ${name} back`}
                  onPress={() => dispatch(restoreVoicemail(id))}
                />
              )}
              <Plate
                word="All with them"
                label={`All with them: ${name}`}
                onPress={() => go.person(whoOf(from, callId, office, people).key)}
              />
            </View>
          </>
        )}
      </View>
    </View>
  );
}
