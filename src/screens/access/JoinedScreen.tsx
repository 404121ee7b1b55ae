import { ScrollView, StyleSheet } from 'react-native';

import { selectMyId, selectOffice, selectWrite, useAppSelector } from '@/state/app';
import { askedToJoin, chosenOffice, ownOfficeName } from '@/state/offices';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, useTheme } from '@/ui/tokens';

import { useGo } from '../shared/useGo';

/** Where a link of an invitation leads once it has let this device in; elsewhere, why it leads nowhere. */
export function JoinedScreen() {
  const { colours } = useTheme();
  const go = useGo();
  const myId = useAppSelector(selectMyId);
  const office = useAppSelector(selectOffice);
  const me = office.people.get(myId);
  const write = useAppSelector(selectWrite);
  const isHere = me !== undefined && chosenOffice() === 'own' && askedToJoin() !== null;
  const lines = office.setup.lines.filter(
    ({ ownerId, id }) => ownerId === myId || id === me?.presentedLineId,
  );
  return (
    <ScrollView style={styles.screen} contentContainerStyle={styles.body} tabIndex={0}>
      <Txt as="title" level={1}>
        {isHere ? `You are in, ${me.name.split(' ')[0]}` : 'That office is not here'}
      </Txt>
      {isHere ? (
        <>
          <Txt>
            {`This device is your phone in ${office.setup.name}: it rings for ${me.extension}`}
            {lines.length === 0 ? '.' : ` and shows ${lines.map(({ number }) => write(number)).join(', ')}.`}
          </Txt>
          <Txt colour={colours.faint}>
            {me.administers
              ? 'You run the office.'
              : 'What you may beside your own calls, whoever runs the office says.'}
          </Txt>
          <Plate kind="main" word="Get ready" onPress={go.ready} />
          <Plate word="Who waits" onPress={go.loose} />
        </>
      ) : (
        <>
          <Txt>
            {ownOfficeName() === null
              ? 'The link is of an office that is kept in another browser, where it was made. Open it there.'
              : 'The link says no code. Ask for a whole one.'}
          </Txt>
          <Plate kind="main" word="Office" onPress={go.office} />
        </>
      )}
    </ScrollView>
  );
}

const styles = StyleSheet.create({
  screen: { flex: 1 },
  body: { padding: space.l, gap: space.l, maxWidth: 640 },
});
