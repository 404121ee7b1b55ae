import { StyleSheet, View } from 'react-native';

import type { Shown } from '@/core/calls/callerId';
import { interpretDialled, isExternal } from '@/core/numbers/numbering';
import {
  identifyNumber,
  placeCall,
  selectCallerChoices,
  selectMe,
  selectOffice,
  selectPeople,
  useAppDispatch,
  useAppSelector,
} from '@/state/app';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

import { useGoToCall } from '../../shared/useGoToCall';

interface AskShownSheetProps {
  to: string;
  isDialled: boolean;
  onClose: () => void;
}

/** Before a call goes outside: whether its number is shown. Either answer places the call. */
export function AskShownSheet({ to, isDialled, onClose }: AskShownSheetProps) {
  const dispatch = useAppDispatch();
  const goToCall = useGoToCall();
  const office = useAppSelector(selectOffice);
  const people = useAppSelector(selectPeople);
  const me = useAppSelector(selectMe);
  const { presentedLineId } = useAppSelector(selectCallerChoices);
  const usual = office.people.get(me.personId)?.presentedLineId ?? '';
  const line = office.lines.get(presentedLineId ?? usual) ?? office.lines.get(usual);
  const dialled = interpretDialled(to, office.plan);
  const { name } = identifyNumber(isExternal(dialled) ? dialled.e164 : null, null, people);
  const call = (shown: Shown) => {
    onClose();
    void dispatch(placeCall(to, { isDialled, shown })).then((isHere) => isHere && goToCall());
  };
  return (
    <Sheet title={`Call ${name}`} onClose={onClose}>
      <View style={styles.stack}>
        <Txt>Which number shall they see?</Txt>
        {line ? (
          <Plate
            kind="answer"
            large
            word={`Show ${line.name}, and call`}
            onPress={() => call({ lineId: line.id })}
          />
        ) : null}
        <Plate large word="Show none, and call" onPress={() => call('withhold')} />
      </View>
    </Sheet>
  );
}

const styles = StyleSheet.create({ stack: { gap: space.m } });
