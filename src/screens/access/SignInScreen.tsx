import { useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';

import { explainDenied, useAppDispatch, useAppSelector } from '@/state/app';
import { signIn, wipeDevice } from '@/state/access';
import { askedToJoin, chooseOffice, isServed } from '@/state/offices';
import { Field } from '@/ui/field';
import { Problem } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, useTheme } from '@/ui/tokens';

import { WipeSheet } from './WipeSheet';

/** The office's door: whoever is not signed in on this device says who they are. */
export function SignInScreen() {
  const { colours } = useTheme();
  const dispatch = useAppDispatch();
  const door = useAppSelector(({ office }) => office.door);
  const isArriving = useAppSelector(({ office }) => office.isArriving);
  const refusal = useAppSelector(({ notices }) => notices.refusal);
  const [code] = useState(askedToJoin);
  const [byCode, setByCode] = useState(code !== null);
  const [account, setAccount] = useState('');
  const [pin, setPin] = useState('');
  const [missing, setMissing] = useState<'account' | 'pin' | null>(null);
  const [isWiping, setWiping] = useState(false);
  if (!door) return null;
  const { why, name, zone } = door;
  const withCode = byCode && code !== null;
  const codeIsOver = why.code === 'usedCode' || why.code === 'oldCode' || why.code === 'unknownCode';
  const enter = () => {
    const wanted = !withCode && account.trim() === '' ? 'account' : pin === '' ? 'pin' : null;
    setMissing(wanted);
    if (wanted !== null || isArriving) return;
    dispatch(signIn(withCode ? { code, pin } : { account: account.trim(), pin }));
    setPin('');
  };
  return (
    <ScrollView style={styles.screen} contentContainerStyle={styles.body} tabIndex={0}>
      <View>
        <Txt as="title" level={1}>
          {withCode ? `Join ${name}` : `Sign in to ${name}`}
        </Txt>
        <Txt colour={colours.faint}>
          {withCode
            ? 'The link says who you are. The PIN you were told shows that it is you.'
            : 'With your extension, and the PIN you chose or were told.'}
        </Txt>
      </View>
      {why.code === 'signIn' ? null : <Problem sentence={explainDenied(why, zone, true)} />}
      {refusal === null ? null : <Problem sentence={refusal} />}
      {withCode ? null : (
        <Field
          numeric
          label="Extension"
          value={account}
          onChange={setAccount}
          onSubmit={enter}
          keyboard="phone-pad"
          error={missing === 'account' ? 'Type your extension.' : null}
        />
      )}
      <Field
        numeric
        label="PIN"
        secret="known"
        value={pin}
        onChange={setPin}
        onSubmit={enter}
        keyboard="number-pad"
        error={missing === 'pin' ? 'Type your PIN.' : null}
      />
      <Plate
        kind="main"
        word={isArriving ? 'Looking …' : withCode ? 'Join' : 'Sign in'}
        disabled={isArriving}
        onPress={enter}
      />
      {withCode && codeIsOver ? (
        <Plate word="Sign in with my extension instead" onPress={() => setByCode(false)} />
      ) : null}
      <View style={styles.others}>
        {isServed() ? null : (
          <Plate
            word="Open the sample instead"
            onPress={() => {
              if (chooseOffice('sample')) window.location.assign('/');
            }}
          />
        )}
        <Plate word="Take everything off this device" onPress={() => setWiping(true)} />
      </View>
      {isWiping ? (
        <WipeSheet onWipe={() => void dispatch(wipeDevice())} onClose={() => setWiping(false)} />
      ) : null}
    </ScrollView>
  );
}

const styles = StyleSheet.create({
  screen: { flex: 1 },
  body: { padding: space.l, gap: space.l, maxWidth: 480 },
  others: { gap: space.s, marginTop: space.xl },
});
