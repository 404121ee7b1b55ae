import { StyleSheet, View } from 'react-native';

import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

import { helpOf } from './helpTexts';
import { shortcuts } from './keyWords';

interface HelpSheetProps {
  /** Of the screen that is asked about. */
  path: string;
  onClose: () => void;
}

/** What a screen is for, in three sentences, and the keys: those that are wanted there first. */
export function HelpSheet({ path, onClose }: HelpSheetProps) {
  const { title, sentences, keys } = helpOf(path);
  const here = shortcuts.filter(({ key }) => keys.includes(key));
  const elsewhere = shortcuts.filter(({ key }) => !keys.includes(key));
  return (
    <Sheet title={title} onClose={onClose}>
      <View style={styles.all} tabIndex={0}>
        {sentences.map((sentence) => (
          <Txt key={sentence}>{sentence}</Txt>
        ))}
        <Keys title="Keys here, with a keyboard" of={here} />
        <Keys title="Keys anywhere" of={elsewhere} />
      </View>
    </Sheet>
  );
}

function Keys({ title, of }: { title: string; of: readonly { key: string; word: string }[] }) {
  return (
    <View>
      <Txt as="small" level={3}>
        {title}
      </Txt>
      {of.map(({ key, word }) => (
        <View key={key} style={styles.row}>
          <Txt as="mono" style={styles.key}>
            {key}
          </Txt>
          <Txt style={styles.word}>{word}</Txt>
        </View>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  all: { gap: space.m },
  row: { flexDirection: 'row', alignItems: 'baseline', gap: space.m, minHeight: 32 },
  key: { width: 56 },
  word: { flexShrink: 1 },
});
