import { View, StyleSheet } from 'react-native';

import { chosenOffice, ownOfficeName } from '@/state/offices';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

/** What can't be undone is asked first, and what it costs is said. */
export function WipeSheet({ onWipe, onClose }: { onWipe: () => void; onClose: () => void }) {
  const own = ownOfficeName();
  return (
    <Sheet title="Take everything off this device?" onClose={onClose}>
      <View style={styles.body}>
        <Txt>
          Calls, messages, voicemails, sounds and what you chose: nothing of Cendro stays in this browser. It
          can’t be undone.
        </Txt>
        {own === null ? null : (
          <Txt as="strong">
            {own} is kept in this browser and nowhere else: it ends with that, for everybody in it.
            {chosenOffice() === 'own' ? ' Save it in one file first, in Office.' : ''}
          </Txt>
        )}
        <Plate kind="end" word="Take everything off" onPress={onWipe} />
        <Plate word="Leave it as it is" onPress={onClose} />
      </View>
    </Sheet>
  );
}

const styles = StyleSheet.create({ body: { gap: space.m } });
