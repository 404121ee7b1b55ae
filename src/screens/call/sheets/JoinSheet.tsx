import { StyleSheet, View } from 'react-native';

import type { Command } from '@/core/calls/exchange';
import { nameOfCall, sendAndSay, useAppDispatch, type CallView } from '@/state/app';
import { Row } from '@/ui/list';
import { Sheet } from '@/ui/sheet';
import { space } from '@/ui/tokens';

import { RefusalLine } from './RefusalLine';

interface JoinSheetProps {
  held: CallView;
  active: CallView;
  onClose: () => void;
}

/** Two calls that have nothing to do with each other become one: each way says what will be true. */
export function JoinSheet({ held, active, onClose }: JoinSheetProps) {
  const dispatch = useAppDispatch();
  const legs = { legId: held.me.legId, otherLegId: active.me.legId };
  const [first, second] = [nameOfCall(held), nameOfCall(active)];
  const join = async (command: Command, said: string) => {
    if (await dispatch(sendAndSay(command, said))) onClose();
  };
  return (
    <Sheet title={`${first} and ${second}`} onClose={onClose}>
      <View style={styles.stack}>
        <RefusalLine />
        <Row
          detailLines={4}
          title="All together"
          detail={`You, ${first} and ${second} hear each other.`}
          onPress={() => void join({ type: 'mergeCalls', ...legs }, 'All are in one call.')}
        />
        <Row
          detailLines={4}
          title="Connect them, and leave"
          detail={`${first} and ${second} talk to each other. You are out.`}
          onPress={() =>
            void join(
              { type: 'connectCalls', ...legs },
              `${first} and ${second} are connected, and you have left.`,
            )
          }
        />
      </View>
    </Sheet>
  );
}

const styles = StyleSheet.create({ stack: { gap: space.m } });
