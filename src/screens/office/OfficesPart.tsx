import { StyleSheet, View } from 'react-native';

import { actRefused, useAppDispatch } from '@/state/app';
import { chooseOffice, chosenOffice, ownOfficeName } from '@/state/offices';
import { Plate } from '@/ui/plate';
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
      {isSample ? null : <Plate word="Open the sample" onPress={() => open('sample')} />}
    </View>
  );
}

const styles = StyleSheet.create({ section: { gap: space.s } });
