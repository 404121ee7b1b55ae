import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';

import { meetingLimits } from '@/core/calls/meetings';
import { formatClock } from '@/core/shared/time';
import {
  selectTextNumber,
  selectWrite,
  selectZone,
  useAppDispatch,
  useAppSelector,
  useNow,
  type CallView,
  type PartyView,
} from '@/state/app';
import { canInviteByMail, giveMeetingLink, mailMeetingLink, textMeetingLink } from '@/state/inbox';
import { isServed } from '@/state/offices';
import { Field } from '@/ui/field';
import { Problem } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, useTheme } from '@/ui/tokens';

import { RefusalLine } from '../call/sheets/RefusalLine';
import { QrCode } from '../shared/QrCode';
import { useCopyLink } from '../shared/useCopyLink';

interface MeetingLinkProps {
  view: CallView;
  /** Whose screen beside their phone it is for; null: for guests. */
  party: PartyView | null;
  onDone: () => void;
}

/** Makes a link to the meeting, shows it to be photographed, and copies or passes it on. */
export function MeetingLink({ view, party, onDone }: MeetingLinkProps) {
  const { colours } = useTheme();
  const dispatch = useAppDispatch();
  const zone = useAppSelector(selectZone);
  const now = useNow(60_000);
  const textNumber = useAppSelector((state) => selectTextNumber(state, party?.number ?? null));
  const write = useAppSelector(selectWrite);
  const [address, setAddress] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const copyLink = useCopyLink();
  // Whoever closes the browser's own question has decided.
  const passOn = (text: string) => void navigator.share({ text }).catch(() => undefined);
  return (
    <View style={styles.stack}>
      <RefusalLine />
      {address === null ? (
        <>
          <Txt>
            {party
              ? `By it ${party.name} sees the meeting on any screen, and can be seen; they go on talking by their phone.`
              : 'Whoever has it comes by a browser, with their name alone, and waits until a host lets them in. They see nothing else of the office.'}
          </Txt>
          {party && textNumber !== null ? (
            <Plate
              kind="main"
              large
              word={`Text it to ${write(textNumber)}`}
              onPress={async () => {
                if (await dispatch(textMeetingLink(view, party))) onDone();
              }}
            />
          ) : null}
          <Plate
            kind={textNumber === null ? 'main' : 'plain'}
            large={textNumber === null}
            word="Make the link"
            onPress={async () => setAddress(await dispatch(giveMeetingLink(view, party?.legId ?? null)))}
          />
        </>
      ) : (
        <>
          <Txt>
            {`It is good until the meeting ends, and until ${formatClock(now + meetingLimits.linkMs, zone)} at most. A new one takes its place.`}
          </Txt>
          {isServed() ? null : (
            <Txt colour={colours.faint}>
              {party
                ? 'This office lives in this browser, where nobody outside reaches it: here somebody is played who opens it.'
                : 'This office lives in this browser, where nobody outside reaches it: here somebody is played who comes by it.'}
            </Txt>
          )}
          <QrCode
            text={address}
            label={`The link to the meeting as a code to photograph${party ? `, for ${party.name}` : ''}`}
          />
          <Txt as="small">{address}</Txt>
          <Plate word="Copy the link" onPress={() => void copyLink(address).then(setProblem)} />
          {'share' in navigator ? <Plate word="Pass it on …" onPress={() => passOn(address)} /> : null}
          <Problem sentence={problem} />
          {party ? null : <MailIt address={address} />}
        </>
      )}
    </View>
  );
}

/** By mail, with what a calendar takes, where the office has a mail server. */
function MailIt({ address }: { address: string }) {
  const dispatch = useAppDispatch();
  const [canMail, setCanMail] = useState(false);
  const [to, setTo] = useState('');
  const [isGoing, setGoing] = useState(false);
  const [error, setError] = useState<string | null>(null);
  useEffect(() => void dispatch(canInviteByMail()).then(setCanMail), [dispatch]);
  if (!canMail) return null;
  const mail = async () => {
    if (to.trim() === '') return setError('Type their mail address.');
    setGoing(true);
    const why = await dispatch(mailMeetingLink(address, to));
    setGoing(false);
    setError(why);
    if (why === null) setTo('');
  };
  return (
    <>
      <Field label="Mail it to" value={to} onChange={setTo} onSubmit={() => void mail()} error={error} />
      <Plate
        word={isGoing ? 'On its way …' : 'Mail the invitation'}
        disabled={isGoing}
        onPress={() => void mail()}
      />
    </>
  );
}

const styles = StyleSheet.create({ stack: { gap: space.m } });
