import { useEffect, useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';

import {
  cannotText,
  isInside,
  lengthWords,
  measureText,
  type Failure,
  type Message,
} from '@/core/inbox/messages';
import { nextFirstHour } from '@/core/plans/routing';
import { formatDayAndClock } from '@/core/shared/time';
import {
  selectWrite,
  selectMyId,
  selectOffice,
  selectZone,
  textLineOf,
  useAppDispatch,
  useAppSelector,
  useNow,
  useServices,
} from '@/state/app';
import { writeText, type Person, type TimelineItem } from '@/state/inbox';
import { Field } from '@/ui/field';
import { Problem } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

import { pickBlob } from '../shared/files';
import { MoreToggle } from '../shared/MoreToggle';
import { useUnsent } from '../shared/useUnsent';
import { WhenEntry } from '../shared/WhenEntry';
import { RepliesSheet } from './RepliesSheet';
import { forgetPicture, laidPicture, pictureOf } from './pictureToSend';
import { VoiceSheet } from './VoiceSheet';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    composer: {
      gap: space.s,
      paddingHorizontal: space.m,
      paddingVertical: space.s,
      backgroundColor: colours.paper,
      borderTopWidth: 1,
      borderColor: colours.ink,
    },
    acts: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: space.s },
    writing: { flexDirection: 'row', alignItems: 'center', gap: space.xs },
    row: { gap: space.s },
    grow: { flex: 1, minWidth: 0 },
    stack: { gap: space.s },
  }),
);

const why: Record<Failure, string> = {
  unknownNumber: 'Nobody can be texted here.',
  noTexts: 'No number of theirs takes texts.',
  optedOut: 'They asked for no more texts.',
  carrier: '',
  tooManyTries: '',
};

interface ComposerProps {
  person: Person;
  items: readonly TimelineItem[];
}

/** Writes a text to somebody: counted as the network counts, now or later, by hand or from a ready reply. */
export function Composer({ person, items }: ComposerProps) {
  const write = useAppSelector(selectWrite);
  const styles = useStyles();
  const { colours } = useTheme();
  const dispatch = useAppDispatch();
  const zone = useAppSelector(selectZone);
  const now = useNow(60_000);
  const lineId = useAppSelector(textLineOf);
  const [text, setText] = useUnsent(person.key);
  const [open, setOpen] = useState<'replies' | 'later' | 'voice' | null>(null);
  const [picture, setPicture] = useState<Message['picture']>(() => laidPicture(person.key));
  useEffect(() => forgetPicture(person.key), [person.key]);
  const [problem, setProblem] = useState<string | null>(null);
  const [showsMore, setShowsMore] = useState(false);
  const thread = items.flatMap((item) => (item.kind === 'message' ? [item.message] : []));
  const to = textNumber(person, thread);
  const obstacle = cannotText(to, thread);
  if (obstacle !== null || to === null || lineId === null)
    return (
      <View style={styles.composer}>
        <Txt as="small">{why[obstacle ?? 'unknownNumber']}</Txt>
      </View>
    );
  const personId = person.key.startsWith('person:') ? person.key.slice('person:'.length) : null;
  const measured = measureText(text);
  const isEmpty = text.trim() === '' && picture === null;
  const send = async (notBefore: number | null) => {
    if (isEmpty) return;
    const said = notBefore === null ? null : `Goes out ${formatDayAndClock(notBefore, now, zone)}.`;
    setText('');
    setPicture(null);
    setOpen(null);
    const asked = { number: to, lineId, text: text.trim(), notBefore, picture };
    if (await dispatch(writeText(asked, said))) return;
    // What could not be written stays, unless something else is being written by now.
    setText((typed) => (typed === '' ? text : typed));
    setPicture((chosen) => chosen ?? picture);
  };
  const askForCall = () => {
    const said = `${person.name} is asked to call you.`;
    const text = 'Please call me back.';
    const asked = { number: to, lineId, text, notBefore: null, picture: null, asks: 'callBack' } as const;
    void dispatch(writeText(asked, said));
  };
  const choosePicture = async () => {
    const file = await pickBlob('image/*');
    if (!file) return;
    const shrunk = await pictureOf(file);
    setProblem(shrunk.ok ? null : shrunk.sentence);
    if (!shrunk.ok) return;
    setPicture(shrunk.picture);
  };
  return (
    <View style={styles.composer}>
      <View style={styles.writing}>
        <View style={styles.grow}>
          <Field
            label={isInside(to) ? `Message to ${person.name}` : `Text to ${write(to)}`}
            value={text}
            onChange={setText}
            hideLabel
            lines={text.length > 40 ? 3 : 1}
            placeholder={isInside(to) ? 'Write a message' : `Text to ${write(to)}`}
          />
        </View>
        <MoreToggle of="what you write" isOpen={showsMore} onToggle={() => setShowsMore(!showsMore)} />
        <Plate kind="main" word="Send" disabled={isEmpty} onPress={() => void send(null)} />
      </View>
      {text === '' || isInside(to) ? null : (
        <Txt as="mono" colour={colours.faint}>
          {lengthWords(measured)}
        </Txt>
      )}
      {showsMore ? (
        <ScrollView horizontal contentContainerStyle={styles.row}>
          <Plate word="Later" label="Send later" disabled={isEmpty} onPress={() => setOpen('later')} />
          <Plate word="Ready reply" onPress={() => setOpen('replies')} />
          <Plate word="Picture" label="Picture to send" onPress={() => void choosePicture()} />
          {personId === null ? null : (
            <Plate word="Voice" label="Voice into their mailbox" onPress={() => setOpen('voice')} />
          )}
          {isInside(to) ? (
            <Plate word="Ask for a call" label={`Ask for a call from ${person.name}`} onPress={askForCall} />
          ) : null}
        </ScrollView>
      ) : null}
      {picture === null ? null : (
        <View style={styles.acts}>
          <Txt as="small" style={styles.grow}>
            {`With ${picture.alt}, shrunk to ${Math.ceil(picture.bytes / 1000)} kB`}
          </Txt>
          <Plate word="Remove" onPress={() => setPicture(null)} />
        </View>
      )}
      <Problem sentence={problem} isSmall />
      {!isInside(to) && measured.parts.length > 1 && measured.foreign.length > 0 ? (
        <Txt as="small">{`${measured.foreign.join(' ')} makes it longer: without it, a part holds 153 letters.`}</Txt>
      ) : null}
      {open === 'replies' ? (
        <RepliesSheet
          name={person.name}
          onTake={(reply) => {
            setText(reply);
            setOpen(null);
          }}
          onClose={() => setOpen(null)}
        />
      ) : null}
      {open === 'voice' && personId !== null ? (
        <VoiceSheet personId={personId} name={person.name} onClose={() => setOpen(null)} />
      ) : null}
      {open === 'later' ? <SendLaterSheet onTake={send} onClose={() => setOpen(null)} /> : null}
    </View>
  );
}

/** The number of theirs that texts were written with last, else one that takes texts. */
function textNumber({ ways }: Person, thread: readonly { number: string }[]): string | null {
  const last = thread.at(-1)?.number;
  if (last !== undefined) return last;
  return ways.find(({ number }) => cannotText(number, []) === null)?.number ?? ways[0]?.number ?? null;
}

interface SendLaterSheetProps {
  onTake: (at: number) => void;
  onClose: () => void;
}

function SendLaterSheet({ onTake, onClose }: SendLaterSheetProps) {
  const styles = useStyles();
  const { clock } = useServices();
  const zone = useAppSelector(selectZone);
  const office = useAppSelector(selectOffice);
  const myId = useAppSelector(selectMyId);
  const [now] = useState(() => clock.now());
  const firstHour = nextFirstHour(office, myId, now);
  return (
    <Sheet title="Send it later" onClose={onClose}>
      <View style={styles.stack}>
        {firstHour === null ? null : (
          <Plate
            word={`${formatDayAndClock(firstHour, now, zone)}, my first hour`}
            onPress={() => onTake(firstHour)}
          />
        )}
        <WhenEntry label="A time, such as 14:30 or Fri 8:00" word="Send it then" onTake={onTake} />
      </View>
    </Sheet>
  );
}
