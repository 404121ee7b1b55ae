import { useEffect, useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';

import { formatMoment } from '@/core/shared/time';
import {
  actDone,
  actRefused,
  lockChosen,
  passkeyChosen,
  selectMyId,
  selectOffice,
  selectZone,
  unlocked,
  useAppDispatch,
  useAppSelector,
  useNow,
} from '@/state/app';
import {
  askAccess,
  hasOwnKey,
  isThisDevice,
  makePasskey,
  selectMyPin,
  selectMySignIns,
  signOutHere,
  wipeDevice,
} from '@/state/access';
import { chosenOffice } from '@/state/offices';
import { Choice } from '@/ui/field';
import { ActLine } from '@/ui/list';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, useTheme } from '@/ui/tokens';

import { useGo } from '../shared/useGo';
import { PinSheet } from './PinSheet';
import { WipeSheet } from './WipeSheet';
import { ScreenTitle } from '../shared/ScreenTitle';

const lockChoices = [
  { value: 'never', word: 'never' },
  { value: '1', word: '1 minute' },
  { value: '5', word: '5 minutes' },
  { value: '15', word: '15 minutes' },
];

const pinWords = {
  none: 'You have none yet. It lets you join with another device, and listen to your mailbox from any phone.',
  given: 'Whoever runs the office gave you one. Choose your own, which nobody else knows.',
  own: 'You join with another device by it, and listen to your mailbox from any phone.',
};

/** Who I am here, my PIN, the devices I am signed in on, and how to leave this one. */
export function DevicesScreen() {
  const { colours } = useTheme();
  const dispatch = useAppDispatch();
  const go = useGo();
  const now = useNow(60_000);
  const zone = useAppSelector(selectZone);
  const myId = useAppSelector(selectMyId);
  const office = useAppSelector(selectOffice);
  const me = office.people.get(myId);
  const pin = useAppSelector(selectMyPin);
  const lockAfter = useAppSelector(({ settings }) => settings.lockAfter);
  const passkey = useAppSelector(({ settings }) => settings.passkey);
  const signIns = useAppSelector(selectMySignIns);
  const [open, setOpen] = useState<'pin' | 'wipe' | null>(null);
  const here = signIns.find(({ id }) => isThisDevice(id));
  const isSample = chosenOffice() === 'sample';
  const [hasKey, setHasKey] = useState(false);
  useEffect(() => void hasOwnKey().then(setHasKey), []);
  const toggleKey = async () => {
    if (passkey?.personId === myId) return dispatch(passkeyChosen(null));
    const id = await makePasskey(myId, me?.name ?? '');
    if (id === null) dispatch(actRefused('The device made no key. The PIN unlocks it as before.'));
    else dispatch(passkeyChosen({ id, personId: myId }));
  };
  const signOut = async (id: string, name: string) => {
    const problem = await dispatch(askAccess({ type: 'signOutDevice', id }));
    dispatch(problem === null ? actDone(`${name} is signed out.`) : actRefused(problem));
  };
  return (
    <ScrollView style={styles.screen} contentContainerStyle={styles.body} tabIndex={0}>
      <View>
        <ScreenTitle>PIN and devices</ScreenTitle>
        <Txt colour={colours.faint}>
          {me ? `${me.name}, ${me.extension}, in ${office.setup.name}.` : office.setup.name}
          {me?.administers ? ' You run the office.' : ''}
        </Txt>
      </View>
      <View style={styles.section} role="region" aria-label="Your PIN">
        <Txt as="heading" level={2}>
          Your PIN
        </Txt>
        <Txt colour={colours.faint}>{pinWords[pin]}</Txt>
        <Txt as="small">
          {`From an office phone dial *${office.plan.services.mailbox}; from any other call a number of yours, and press star while your greeting is heard.`}
        </Txt>
        <Plate
          kind={pin === 'own' ? 'plain' : 'main'}
          word={pin === 'own' ? 'Change the PIN' : 'Choose a PIN'}
          style={styles.start}
          onPress={() => setOpen('pin')}
        />
      </View>
      <View style={styles.section} role="region" aria-label="Signed in on">
        <Txt as="heading" level={2}>
          Signed in on
        </Txt>
        {signIns.length === 0 ? (
          <Txt colour={colours.faint}>
            {isSample
              ? 'In the sample nobody signs in: this device can be anybody in it.'
              : 'This browser, in which the office is kept. With a PIN of yours other devices can join.'}
          </Txt>
        ) : (
          <View role="list">
            {signIns.map(({ id, name, at, lastAt }) => (
              <ActLine
                key={id}
                title={id === here?.id ? `${name}: this device` : name}
                detail={`Since ${formatMoment(at, now, zone)}, last there ${formatMoment(lastAt, now, zone)}`}
              >
                {id === here?.id ? null : (
                  <Plate
                    word="Sign it out"
                    label={`Sign out ${name}, last there ${formatMoment(lastAt, now, zone)}`}
                    onPress={() => void signOut(id, name)}
                  />
                )}
              </ActLine>
            ))}
          </View>
        )}
      </View>
      <View style={styles.section} role="region" aria-label="Lock this device">
        <Txt as="heading" level={2}>
          Lock this device
        </Txt>
        <Txt colour={colours.faint}>
          {pin === 'none'
            ? 'With a PIN it can be locked when nobody touches it.'
            : 'For one that lies about: it shows nothing until your PIN is typed. Calls can be answered.'}
        </Txt>
        {pin === 'none' ? null : (
          <Choice
            asStrip
            label="When nobody touches it for"
            value={String(lockAfter ?? 'never')}
            options={lockChoices}
            onChoose={(chosen) => {
              // Whoever chooses it is here.
              dispatch(unlocked(true));
              dispatch(lockChosen(chosen === 'never' ? null : Number(chosen)));
            }}
          />
        )}
        {hasKey && lockAfter !== null ? (
          <Plate
            word="Its own finger, face or code unlocks it too"
            pressed={passkey?.personId === myId}
            style={styles.start}
            onPress={() => void toggleKey()}
          />
        ) : null}
      </View>
      <View style={styles.section} role="region" aria-label="Leave this device">
        <Txt as="heading" level={2}>
          Leave this device
        </Txt>
        {here ? (
          <>
            <Txt colour={colours.faint}>
              Signed out, it rings for nobody and shows nothing. What is kept on it stays until you take it
              off.
            </Txt>
            <Plate
              word="Sign out here"
              style={styles.start}
              onPress={() => void dispatch(signOutHere(here.id))}
            />
          </>
        ) : null}
        <Plate word="Take everything off this device" style={styles.start} onPress={() => setOpen('wipe')} />
      </View>
      <Plate word="Office" style={styles.start} onPress={go.office} />
      {open === 'pin' ? <PinSheet onClose={() => setOpen(null)} /> : null}
      {open === 'wipe' ? (
        <WipeSheet onWipe={() => void dispatch(wipeDevice())} onClose={() => setOpen(null)} />
      ) : null}
    </ScrollView>
  );
}

const styles = StyleSheet.create({
  screen: { flex: 1 },
  body: { padding: space.l, gap: space.xl, maxWidth: 640 },
  section: { gap: space.s },
  start: { alignSelf: 'flex-start' },
});
