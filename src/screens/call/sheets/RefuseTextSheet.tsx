import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import { callBackTimes, readyReplies } from '@/core/replies';
import {
  refuseWithText,
  selectZone,
  useAppDispatch,
  useAppSelector,
  useNow,
  type CallView,
} from '@/state/app';
import { Field } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space, useTheme } from '@/ui/tokens';

import { RefusalLine } from './RefusalLine';

/** Refuses the call with a few words; a promised time becomes a follow-up. */
export function RefuseTextSheet({ view, onClose }: { view: CallView; onClose: () => void }) {
  const { colours } = useTheme();
  const dispatch = useAppDispatch();
  const zone = useAppSelector(selectZone);
  const now = useNow(60_000);
  const [own, setOwn] = useState('');
  const [caller] = view.others;
  const canText = caller?.number?.startsWith('+') ?? false;
  const refuse = async (text: string, callBackAt: number | null) => {
    await dispatch(refuseWithText(view, text, callBackAt));
    onClose();
  };
  return (
    <Sheet title={`Refuse ${caller?.name ?? 'the call'} with a text`} onClose={onClose}>
      <View style={styles.stack}>
        <RefusalLine />
        {canText ? (
          <>
            <Txt as="small">Promise a time; it becomes a follow-up</Txt>
            {callBackTimes(now, zone).map(({ word, at, text }) => (
              <Plate key={word} word={text} onPress={() => void refuse(text, at)} />
            ))}
            <Txt as="small">Or say why</Txt>
            {readyReplies.map((text) => (
              <Plate key={text} word={text} onPress={() => void refuse(text, null)} />
            ))}
            <Field
              label="Own words"
              value={own}
              onChange={setOwn}
              onSubmit={() => own.trim() !== '' && void refuse(own.trim(), null)}
            />
            <Plate
              kind="end"
              word="Refuse and send own words"
              disabled={own.trim() === ''}
              onPress={() => void refuse(own.trim(), null)}
            />
          </>
        ) : (
          <Txt colour={colours.faint}>This caller has no number that a text could go to.</Txt>
        )}
      </View>
    </Sheet>
  );
}

const styles = StyleSheet.create({ stack: { gap: space.m } });
