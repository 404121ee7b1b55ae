import { StyleSheet, View } from 'react-native';

import { meetingOf, send, useAppDispatch, type CallView, type PartyView } from '@/state/app';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

import { theyHear } from '../../shared/callWords';
import { isSoundOnly } from '../meeting/pictureWords';
import { openCallSheet } from '../openSheet';
import { RefusalLine } from './RefusalLine';

interface PartySheetProps {
  view: CallView;
  party: PartyView;
  onClose: () => void;
}

/** What can be done with one of several in a call. */
export function PartySheet({ view, party, onClose }: PartySheetProps) {
  const meeting = meetingOf(view);
  const isThere = party.state === 'connected' || party.state === 'held';
  return (
    <Sheet title={party.name} onClose={onClose}>
      <View style={styles.stack}>
        <Txt>{theyHear(party, view)}</Txt>
        <RefusalLine />
        {meeting && isThere && isSoundOnly(view.call, party.legId) ? (
          <Plate
            kind="main"
            word="Send them a link to the picture …"
            onPress={() => openCallSheet({ kind: 'link', view, party })}
          />
        ) : null}
        {meeting && !meeting.isHost ? (
          <Txt as="small">Muting, holding and removing somebody is for a host of the meeting.</Txt>
        ) : (
          <PartyActs {...{ view, party, onClose }} />
        )}
      </View>
    </Sheet>
  );
}

/** What is done with them: in a meeting by its hosts. */
function PartyActs({ view, party, onClose }: PartySheetProps) {
  const dispatch = useAppDispatch();
  const act =
    (type: 'silence' | 'unsilence' | 'putAside' | 'bringBack' | 'talkAside' | 'drop') => async () => {
      const result = await dispatch(send({ type, legId: view.me.legId, otherLegId: party.legId }));
      if (result?.ok) onClose();
    };
  const isThere = party.state === 'connected' || party.state === 'held';
  return (
    <>
      {isThere ? (
        <>
          {party.room === 'floor' ? (
            <>
              <Plate
                word={party.isSilenced ? 'Unmute them' : 'Mute them'}
                onPress={() => void act(party.isSilenced ? 'unsilence' : 'silence')()}
              />
              <Plate word="Hold them, with music" onPress={() => void act('putAside')()} />
              <Plate word="A private word with them" onPress={() => void act('talkAside')()} />
            </>
          ) : (
            <Plate kind="main" word="Back to everybody" onPress={() => void act('bringBack')()} />
          )}
        </>
      ) : null}
      <Plate
        kind="end"
        word={isThere ? 'Remove them from the call' : 'Stop calling them'}
        onPress={() => void act('drop')()}
      />
    </>
  );
}

const styles = StyleSheet.create({ stack: { gap: space.m } });
