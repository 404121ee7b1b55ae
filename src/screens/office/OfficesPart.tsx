import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import type { OfficeSetup } from '@/core/setup';
import {
  actRefused,
  selectMyId,
  selectOffice,
  useAppDispatch,
  useAppSelector,
  useServices,
} from '@/state/app';
import { chooseChair, chooseOffice, chosenOffice, isServed, ownOfficeName } from '@/state/offices';
import { Choice } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space, useTheme } from '@/ui/tokens';

import { useGo } from '../shared/useGo';
import { useOpenOffice } from './useOpenOffice';

/** The offices of this device: the sample to try things out in, and one of one's own. */
export function OfficesPart() {
  const { colours } = useTheme();
  const dispatch = useAppDispatch();
  const go = useGo();
  const { refusal, now } = useOpenOffice();
  const isSample = chosenOffice() === 'sample';
  const own = ownOfficeName();
  const open = (which: 'sample' | 'own') => {
    if (refusal !== null) dispatch(actRefused(refusal));
    else if (chooseOffice(which)) now();
    else dispatch(actRefused('This browser lets no site keep anything, so only the sample can be opened.'));
  };
  if (isServed())
    return (
      <View style={styles.section} role="region" aria-label="This office">
        <Txt as="heading" level={2}>
          This office
        </Txt>
        <Txt colour={colours.faint}>It is kept on the server that this page came from, for all in it.</Txt>
        {isSample ? <Chair /> : null}
      </View>
    );
  return (
    <View style={styles.section} role="region" aria-label="Offices on this device">
      <Txt as="heading" level={2}>
        Offices on this device
      </Txt>
      <Txt colour={colours.faint}>
        {isSample
          ? 'This one is the sample: its people and its ninety days are made up.'
          : 'This one is your own. The sample is kept beside it.'}
      </Txt>
      {isSample && own === null ? <Plate word="Begin an office of your own" onPress={go.begin} /> : null}
      {isSample && own !== null ? <Plate word={`Open ${own}`} onPress={() => open('own')} /> : null}
      {isSample ? <Chair /> : <Plate word="Open the sample" onPress={() => open('sample')} />}
    </View>
  );
}

/** In the sample anybody can be used as whom one likes, so that the office is seen from another chair. */
function Chair() {
  const { colours } = useTheme();
  const dispatch = useAppDispatch();
  const { beginAnew } = useServices();
  const { refusal } = useOpenOffice();
  const { setup } = useAppSelector(selectOffice);
  const myId = useAppSelector(selectMyId);
  const [isOpen, setOpen] = useState(false);
  const sit = (personId: string) => {
    setOpen(false);
    if (personId === myId) return;
    if (refusal !== null) dispatch(actRefused(refusal));
    else if (chooseChair(personId)) beginAnew();
    else dispatch(actRefused('This browser lets no site keep anything, so nobody else can be chosen.'));
  };
  return (
    <>
      <Txt colour={colours.faint}>
        {`Here you are ${nameOfMine(setup, myId)}. You can be anybody else of the sample, and see it from their chair.`}
      </Txt>
      <Plate word="Be somebody else" onPress={() => setOpen(true)} />
      {isOpen ? (
        <Sheet title="Who you are in the sample" onClose={() => setOpen(false)}>
          <Choice
            label="Who you are in the sample"
            value={myId}
            options={setup.people.map(({ id, name, role, extension }) => ({
              value: id,
              word: name,
              detail: `${role} · ${extension}`,
            }))}
            onChoose={sit}
          />
        </Sheet>
      ) : null}
    </>
  );
}

const nameOfMine = ({ people }: OfficeSetup, myId: string) =>
  people.find(({ id }) => id === myId)?.name ?? '';

const styles = StyleSheet.create({ section: { gap: space.s } });
