import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import { callBackTimes, readyReplies } from '@/core/inbox/replies';
import { formatDayAndClock } from '@/core/shared/time';
import {
  refuseWithText,
  selectTextNumber,
  selectZone,
  useAppDispatch,
  useAppSelector,
  useNow,
  type CallView,
  type RefusalReply,
} from '@/state/app';
import { Field } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space, useTheme } from '@/ui/tokens';

import { RefusalLine } from './RefusalLine';
import { useAnswering } from './useAnswering';

interface RefuseTextSheetProps {
  view: CallView;
  /** It has stopped ringing: what is written can still be sent. */
  isGone: boolean;
  onClose: () => void;
}

/** Refuses the call with a few words; a promised time becomes a follow-up. Who can't be texted is remembered all the same. */
export function RefuseTextSheet({ view, isGone, onClose }: RefuseTextSheetProps) {
  const { colours } = useTheme();
  const dispatch = useAppDispatch();
  const zone = useAppSelector(selectZone);
  const now = useNow(60_000);
  const [own, setOwn] = useState('');
  const answering = useAnswering(view, !isGone);
  const [caller] = view.others;
  const name = caller?.name ?? 'This caller';
  const canText = useAppSelector((state) => selectTextNumber(state, caller?.number ?? null) !== null);
  const refuse = async (reply: RefusalReply) => {
    await dispatch(refuseWithText(view, reply));
    onClose();
  };
  const sendOwn = () => own.trim() !== '' && void refuse({ text: own.trim(), callBackAt: null });
  const times = callBackTimes(now, zone);
  return (
    <Sheet
      title={isGone ? `${name} has stopped ringing` : `Refuse ${caller?.name ?? 'the call'}, and …`}
      onClose={onClose}
      {...answering}
    >
      <View style={styles.stack}>
        <RefusalLine />
        {canText ? (
          <>
            <Txt as="small">Text when you will call; it becomes a follow-up</Txt>
            {times.map(({ word, at, text }) => (
              <Plate key={word} word={text} onPress={() => void refuse({ text, callBackAt: at })} />
            ))}
            <Txt as="small">Or text why</Txt>
            {readyReplies.map((text) => (
              <Plate key={text} word={text} onPress={() => void refuse({ text, callBackAt: null })} />
            ))}
            <Field label="Own words" value={own} onChange={setOwn} onSubmit={sendOwn} />
            <Plate
              kind="end"
              word={isGone ? 'Send own words' : 'Refuse and send own words'}
              disabled={own.trim() === ''}
              onPress={sendOwn}
            />
          </>
        ) : (
          <>
            <Txt colour={colours.faint}>
              {`${name} has no number that takes texts. You can be reminded to call back:`}
            </Txt>
            {times.map(({ word, at }) => (
              <Plate
                key={word}
                word={`${isGone ? 'Call' : 'Refuse, call'} back ${formatDayAndClock(at, now, zone)}`}
                onPress={() => void refuse({ text: null, callBackAt: at })}
              />
            ))}
          </>
        )}
      </View>
    </Sheet>
  );
}

const styles = StyleSheet.create({ stack: { gap: space.m } });
