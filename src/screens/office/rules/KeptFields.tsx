import type { Control } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';

import type { KeptKind } from '@/core/setup';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

import { FormChoice } from '../form/fields';
import type { RulesForm } from './rulesForm';

const kinds: { kind: KeptKind; word: string }[] = [
  { kind: 'voicemails', word: 'Voicemails that were heard' },
  { kind: 'texts', word: 'Texts and messages that were read' },
  { kind: 'faxes', word: 'Faxes that were read or sent' },
  { kind: 'recordings', word: 'Recordings of calls' },
];
const spans = [
  { value: '30', word: '30 days' },
  { value: '60', word: '60 days' },
  { value: '365', word: 'a year' },
  { value: 'free', word: 'as each likes' },
];

/** How long anything is kept at most, whatever somebody chose for themselves. */
export function KeptFields({ control }: { control: Control<RulesForm> }) {
  return (
    <View style={styles.part} role="group" aria-label="How long it is kept at most">
      <Txt as="heading" level={2}>
        How long it is kept at most
      </Txt>
      <Txt as="small">
        Each app deletes what is older when it starts. What nobody has heard or read always stays.
      </Txt>
      {kinds.map(({ kind, word }) => (
        <FormChoice key={kind} control={control} name={`kept.${kind}`} label={word} asStrip options={spans} />
      ))}
    </View>
  );
}

const styles = StyleSheet.create({ part: { gap: space.s } });
