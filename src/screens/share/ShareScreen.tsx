import { useEffect, useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';

import { interpretDialled, isExternal, takesTexts } from '@/core/numbers/numbering';
import { selectMyId, selectOffice, useAppSelector } from '@/state/app';
import { forgetPassedOn, lookAtPassedOn, type PassedOn } from '@/state/onDevice';
import { EmptyState, Problem } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';

import { leavePicture, pictureOf } from '../looseEnds/pictureToSend';
import { ScreenTitle } from '../shared/ScreenTitle';
import { useGo } from '../shared/useGo';
import { leaveUnsent } from '../shared/useUnsent';
import { WhoField } from '../shared/WhoField';
import { leaveCard } from './passedCard';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    screen: { flex: 1 },
    body: { padding: space.l, gap: space.l, maxWidth: 640 },
    passed: { gap: space.xs, paddingLeft: space.m, borderLeftWidth: 3, borderColor: colours.edge },
    start: { alignSelf: 'flex-start' },
  }),
);

const isCard = ({ name, type }: File) => /\.vcf$/i.test(name) || /^text\/(x-)?vcard$/.test(type);
const isPicture = ({ type }: File) => type.startsWith('image/');

/** What another app has handed over: whom it is for, and then it lies where it can be sent; nothing is sent by itself. */
export function ShareScreen() {
  const styles = useStyles();
  const go = useGo();
  const [passed, setPassed] = useState<PassedOn | 'looking' | 'nothing'>('looking');
  useEffect(() => {
    void lookAtPassedOn().then(
      (found) => setPassed(found ?? 'nothing'),
      () => setPassed('nothing'),
    );
  }, []);
  if (passed === 'looking')
    return <EmptyState level={1} title="Passed to Cendro" sentence="It is being looked at." />;
  if (passed === 'nothing')
    return (
      <EmptyState
        level={1}
        title="Nothing was passed on"
        sentence="A text, a picture or a contact card that another app shares with Cendro is found here."
      >
        <Plate kind="main" word="Loose ends" onPress={go.loose} />
      </EmptyState>
    );
  return (
    <ScrollView style={styles.screen} contentContainerStyle={styles.body} tabIndex={0}>
      <ScreenTitle>Passed to Cendro</ScreenTitle>
      <Passed passed={passed} />
    </ScrollView>
  );
}

function Passed({ passed: { text, files } }: { passed: PassedOn }) {
  const styles = useStyles();
  const go = useGo();
  const myId = useAppSelector(selectMyId);
  const { plan } = useAppSelector(selectOffice);
  const [who, setWho] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const card = files.find(isCard);
  const pictures = files.filter(isPicture);
  const [picture] = pictures;
  const done = (leave: () => void) => {
    void forgetPassedOn();
    leave();
  };
  const give = async (key: string) => {
    if (picture) {
      const made = await pictureOf(picture);
      if (!made.ok) return setProblem(made.sentence);
      leavePicture(key, made.picture);
    }
    leaveUnsent(myId, key, text);
    done(() => go.person(key));
  };
  const giveToNumber = () => {
    const dialled = interpretDialled(who, plan);
    if (!isExternal(dialled)) setProblem('Type a name or a whole number.');
    else if (!takesTexts(dialled.e164)) setProblem('That number takes no texts.');
    else void give(`number:${dialled.e164}`);
  };
  const hasWords = text !== '' || picture !== undefined;
  return (
    <>
      <View style={styles.passed}>
        {text === '' ? null : <Txt lines={8}>{text}</Txt>}
        {files.map(({ name }, number) => (
          <Txt key={`${number} ${name}`} as="small">
            {name}
          </Txt>
        ))}
        {pictures.length > 1 ? <Txt as="small">A text takes one picture: the first.</Txt> : null}
      </View>
      {card ? (
        <Plate
          kind="main"
          word="Bring the card in"
          onPress={() =>
            done(() => {
              leaveCard(card);
              go.importPeople();
            })
          }
        />
      ) : null}
      {hasWords ? (
        <WhoField
          autoFocus
          onePerPerson
          label="Whom is it for?"
          value={who}
          onChange={(typed) => {
            setWho(typed);
            setProblem(null);
          }}
          onSubmit={giveToNumber}
          canBe={(person, number) => person.kind === 'colleague' || takesTexts(number)}
          onPick={({ key }) => void give(key)}
        />
      ) : null}
      {hasWords || card ? null : <Txt>Cendro can do nothing with that.</Txt>}
      <Problem sentence={problem} />
      <Plate word="Not now: forget it" style={styles.start} onPress={() => done(go.loose)} />
    </>
  );
}
