import { StyleSheet, View } from 'react-native';

import { reactions } from '@/core/calls/meetings';
import { send, useAppDispatch, type CallView } from '@/state/app';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

import { RefusalLine } from './RefusalLine';

/** Says something without a sound: it stands at one’s name for a moment. */
export function ReactSheet({ view, onClose }: { view: CallView; onClose: () => void }) {
  const dispatch = useAppDispatch();
  return (
    <Sheet title="React" onClose={onClose}>
      <View style={styles.stack}>
        <Txt as="small">
          Nobody is interrupted: everybody who sees the meeting sees it at your name for a moment.
        </Txt>
        <RefusalLine />
        {reactions.map((reaction) => (
          <Plate
            key={reaction}
            large
            word={reaction[0]?.toUpperCase() + reaction.slice(1)}
            onPress={async () => {
              const { legId } = view.me;
              const act = { act: 'react', reaction } as const;
              if ((await dispatch(send({ type: 'inMeeting', legId, act })))?.ok) onClose();
            }}
          />
        ))}
      </View>
    </Sheet>
  );
}

const styles = StyleSheet.create({ stack: { gap: space.m } });
