import { useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';

import { selectMyId, selectOffice, unlocked, useAppDispatch, useAppSelector } from '@/state/app';
import { isServed } from '@/state/offices';
import { askAccess, isThisDevice, provePasskey, selectMySignIns, signOutHere } from '@/state/access';
import { Field } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, useTheme } from '@/ui/tokens';

/** The device is locked: who types the PIN sees the office again. Whoever calls can be answered all the same. */
export function LockedScreen() {
  const { colours } = useTheme();
  const dispatch = useAppDispatch();
  const office = useAppSelector(selectOffice);
  const myId = useAppSelector(selectMyId);
  const here = useAppSelector(selectMySignIns).find(({ id }) => isThisDevice(id));
  const [pin, setPin] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const [isBusy, setBusy] = useState(false);
  const passkey = useAppSelector(({ settings }) => settings.passkey);
  const isOnline = useAppSelector(({ office }) => office.isOnline);
  const openByKey = async (id: string) => {
    setBusy(true);
    const isOwner = await provePasskey(id);
    setBusy(false);
    if (isOwner) dispatch(unlocked(true));
    else setProblem('The device did not say that it is you. Your PIN opens it too.');
  };
  const open = async () => {
    if (pin === '' || isBusy) return setProblem('Type your PIN.');
    // Where the office is elsewhere, it alone knows the PIN.
    if (isServed() && !isOnline)
      return setProblem(
        passkey?.personId === myId
          ? 'The office is not reached, so your PIN can’t be looked at now. Unlock as this device does.'
          : 'The office is not reached, so your PIN can’t be looked at now. Try again with a network.',
      );
    setBusy(true);
    const said = await dispatch(askAccess({ type: 'provePin', pin }));
    setBusy(false);
    setPin('');
    setProblem(said);
    if (said === null) dispatch(unlocked(true));
  };
  return (
    <ScrollView style={styles.screen} contentContainerStyle={styles.body} tabIndex={0}>
      <View>
        <Txt as="title" level={1}>
          Locked
        </Txt>
        <Txt colour={colours.faint}>
          {`${office.people.get(myId)?.name ?? ''}, ${office.setup.name}. Calls ring, and can be answered.`}
        </Txt>
      </View>
      <Field
        numeric
        autoFocus
        label="PIN"
        secret="known"
        value={pin}
        onChange={setPin}
        onSubmit={() => void open()}
        keyboard="number-pad"
        error={problem}
      />
      <Plate
        kind="main"
        word={isBusy ? 'Looking …' : 'Unlock'}
        disabled={isBusy}
        onPress={() => void open()}
      />
      {passkey?.personId === myId ? (
        <Plate
          word="Unlock as this device does"
          disabled={isBusy}
          onPress={() => void openByKey(passkey.id)}
        />
      ) : null}
      {here ? (
        <Plate word="It is not me: sign out" onPress={() => void dispatch(signOutHere(here.id))} />
      ) : null}
    </ScrollView>
  );
}

const styles = StyleSheet.create({
  screen: { flex: 1 },
  body: { padding: space.l, gap: space.l, maxWidth: 480 },
});
