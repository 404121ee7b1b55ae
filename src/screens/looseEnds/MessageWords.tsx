import { Image, StyleSheet, View } from 'react-native';

import type { Message } from '@/core/inbox/messages';
import { formatDayAndClock } from '@/core/shared/time';
import { selectZone, useAppDispatch, useAppSelector, useNow } from '@/state/app';
import { sendAgain, takeBackText } from '@/state/inbox';
import { usePicture } from '@/state/pictures';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    acts: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
    picture: { width: '100%', maxWidth: 320, borderWidth: 1, borderColor: colours.rule },
  }),
);

const failureWords: Record<NonNullable<Message['failure']>, string> = {
  noTexts: 'Not sent: that number takes no texts.',
  unknownNumber: 'Not sent: there is no such number.',
  optedOut: 'Not sent: they asked for no more texts.',
  carrier: 'Not sent: the carrier does not know that number.',
  tooManyTries: 'Not sent: the carrier could not be reached.',
};

/** A text or message with its picture, what became of it, and what can still be done about it. */
export function MessageWords({ message }: { message: Message }) {
  const styles = useStyles();
  const { colours } = useTheme();
  const dispatch = useAppDispatch();
  const pictureUrl = usePicture(message.picture?.url ?? null);
  const { id, text, picture, state, failure, asks, direction } = message;
  return (
    <>
      {picture ? (
        <View role="img" aria-label={picture.alt} style={styles.picture}>
          <Image
            aria-hidden
            source={{ uri: pictureUrl ?? undefined }}
            style={{ aspectRatio: picture.width / picture.height }}
          />
        </View>
      ) : null}
      {text === '' ? null : <Txt>{text}</Txt>}
      {asks === 'callBack' ? (
        <Txt as="small">{direction === 'in' ? 'Asks to be called' : 'Asked to call back'}</Txt>
      ) : null}
      <StateWords message={message} />
      {state === 'failed' && failure !== null ? (
        <Txt as="small" colour={colours.rowan}>
          {failureWords[failure]}
        </Txt>
      ) : null}
      {state === 'queued' || state === 'failed' ? (
        <View style={styles.acts}>
          {state === 'failed' ? <Plate word="Send again" onPress={() => dispatch(sendAgain(id))} /> : null}
          <Plate word="Take back" label="Take back the text" onPress={() => dispatch(takeBackText(id))} />
        </View>
      ) : null}
    </>
  );
}

const laterMs = 60_000;

function StateWords({ message: { state, at, sentAt, notBefore, tries } }: { message: Message }) {
  const zone = useAppSelector(selectZone);
  const now = useNow(60_000);
  const isOnline = useAppSelector((root) => root.office.isOnline);
  // One sent later stands where it went: it is said when it was written.
  const isLater = sentAt !== null && sentAt - at > laterMs;
  const written = isLater ? `, written ${formatDayAndClock(at, now, zone)}` : '';
  switch (state) {
    case 'received':
      return null;
    case 'failed':
      return null;
    case 'sent':
      return <Txt as="small">{`Sent${written}`}</Txt>;
    case 'delivered':
      return <Txt as="small">{`Delivered${written}`}</Txt>;
    case 'queued': {
      const until = notBefore === null ? '' : ` ${formatDayAndClock(notBefore, now, zone)}`;
      const word =
        tries > 0 ? `Tried ${tries} ×, again${until}` : until ? `Goes out${until}` : 'Goes out now';
      return <Txt as="small">{isOnline ? word : 'Waits for the network'}</Txt>;
    }
  }
}
