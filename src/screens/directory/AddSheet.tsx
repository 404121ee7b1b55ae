import { View } from 'react-native';

import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

import { useGo } from '../shared/useGo';

/** The ways in which people come into the directory, and in which it is tidied. */
export function AddSheet({ onClose }: { onClose: () => void }) {
  const go = useGo();
  const ways: readonly { word: string; detail: string; act: () => void }[] = [
    { word: 'Add somebody', detail: 'Enter a contact by hand.', act: () => go.newContact(null) },
    {
      word: 'Bring people in',
      detail: 'From a vCard file or a table; or take them elsewhere.',
      act: go.importPeople,
    },
    {
      word: 'Where contacts come from',
      detail: 'The phone’s address book, mail, the customer list: kept up to date.',
      act: go.sources,
    },
    { word: 'Perhaps the same', detail: 'Who may be listed twice.', act: go.alike },
  ];
  return (
    <Sheet title="Add or bring in" onClose={onClose}>
      <View style={{ gap: space.m }}>
        {ways.map(({ word, detail, act }) => (
          <View key={word} style={{ gap: space.xs }}>
            <Plate
              word={word}
              onPress={() => {
                onClose();
                act();
              }}
            />
            <Txt as="small">{detail}</Txt>
          </View>
        ))}
      </View>
    </Sheet>
  );
}
