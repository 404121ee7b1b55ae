import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import { weaknessOf } from '@/core/shared/pins';
import { formatMoment } from '@/core/shared/time';
import { selectZone, useAppDispatch, useAppSelector, useNow } from '@/state/app';
import { askAccess, invite, selectInvitedUntil, selectPinOf } from '@/state/access';
import { Problem } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space, useTheme } from '@/ui/tokens';

import { QrCode } from '../shared/QrCode';
import { useCopyLink } from '../shared/useCopyLink';

/** Lets a device of somebody's join: a link, also to be photographed, and a PIN to begin with, which goes another way. */
export function InviteSheet({
  personId,
  name,
  onClose,
}: {
  personId: string;
  name: string;
  onClose: () => void;
}) {
  const { colours } = useTheme();
  const dispatch = useAppDispatch();
  const now = useNow(60_000);
  const zone = useAppSelector(selectZone);
  const pin = useAppSelector((state) => selectPinOf(state, personId));
  const until = useAppSelector((state) => selectInvitedUntil(state, personId));
  const [given, setGiven] = useState<string | null>(null);
  const [address, setAddress] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const makeLink = async () => {
    const made = await dispatch(invite(personId));
    if ('problem' in made) return setProblem(made.problem);
    setProblem(null);
    setAddress(made.address);
  };
  const givePin = async () => {
    const proposed = proposedPin();
    const said = await dispatch(askAccess({ type: 'givePin', personId, pin: proposed }));
    setProblem(said);
    if (said === null) setGiven(proposed);
  };
  const copyLink = useCopyLink();
  return (
    <Sheet title={`A device for ${name}`} onClose={onClose}>
      <View style={styles.body}>
        <Txt as="heading" level={3}>
          1. The PIN, told by word of mouth
        </Txt>
        {given !== null ? (
          <Txt>
            It is <Txt as="mono">{given}</Txt>. It is shown this once; they are asked to choose their own.
          </Txt>
        ) : (
          <>
            <Txt colour={colours.faint}>
              {pin === 'none'
                ? 'They have none yet.'
                : pin === 'given'
                  ? 'They have the one they were given. A new one takes its place.'
                  : 'They have one of their own. If they have forgotten it, a new one takes its place.'}
            </Txt>
            <Plate
              kind={pin === 'none' ? 'main' : 'plain'}
              word={pin === 'none' ? 'Give them a PIN' : 'Give them a new PIN'}
              onPress={() => void givePin()}
            />
          </>
        )}
        <Txt as="heading" level={3}>
          2. The link, for one device
        </Txt>
        {address === null ? (
          <>
            <Txt colour={colours.faint}>
              {until === null
                ? 'It works once, for three days, and only with the PIN.'
                : `One that was made lets a device in until ${formatMoment(until, now, zone)}. A new one takes its place.`}
            </Txt>
            <Plate
              kind={pin === 'none' ? 'plain' : 'main'}
              word={until === null ? 'Make the link' : 'Make a new link'}
              onPress={() => void makeLink()}
            />
          </>
        ) : (
          <>
            <QrCode text={address} label={`The link for ${name} as a code to photograph`} />
            <Txt as="small">{address}</Txt>
            <Plate word="Copy the link" onPress={() => void copyLink(address).then(setProblem)} />
          </>
        )}
        {problem === null ? null : <Problem sentence={problem} />}
      </View>
    </Sheet>
  );
}

/** Six figures of chance that nobody guesses first. */
function proposedPin(): string {
  for (;;) {
    const [number = 0] = crypto.getRandomValues(new Uint32Array(1));
    const proposed = String(number % 1_000_000).padStart(6, '0');
    if (weaknessOf(proposed) === null) return proposed;
  }
}

const styles = StyleSheet.create({
  body: { gap: space.m },
});
