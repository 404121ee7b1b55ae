import { useEffect } from 'react';
import { StyleSheet, View } from 'react-native';

import {
  selectWaitingGuests,
  send,
  useAppDispatch,
  useAppSelector,
  useServices,
  type WaitingGuest,
} from '@/state/app';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { ThumbGuard } from '@/ui/thumb';
import { space, themed } from '@/ui/tokens';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    // On a wide screen in one line, under one thumb's width.
    strip: {
      flexDirection: 'row',
      flexWrap: 'wrap',
      alignItems: 'center',
      paddingHorizontal: space.m,
      paddingVertical: space.s,
      gap: space.s,
      backgroundColor: colours.sheet,
      borderTopWidth: 2,
      borderColor: colours.saffron,
    },
    name: { flexGrow: 1, flexBasis: 200 },
    acts: { flexGrow: 1, flexBasis: 280, maxWidth: 480, flexDirection: 'row', gap: space.s },
    act: { flex: 1 },
  }),
);

/** Who has come to a meeting by a link and wants to be let in, on every screen of whoever decides: the first of them, one after the other. */
export function GuestsWaiting() {
  const [first, ...others] = useAppSelector(selectWaitingGuests);
  const { player } = useServices();
  const knocking = first?.guestId;
  // Whoever looks elsewhere hears that somebody has come.
  useEffect(() => {
    if (knocking !== undefined) void player?.clip('knock');
  }, [player, knocking]);
  return first ? <Strip guest={first} further={others.length} /> : null;
}

function Strip({ guest, further }: { guest: WaitingGuest; further: number }) {
  const styles = useStyles();
  const { guestId, name } = guest;
  // What is above it has moved, and its acts are for another one.
  useEffect(() => {
    ThumbGuard.screenChanged();
    return () => ThumbGuard.screenChanged();
  }, [guestId]);
  return (
    <View style={styles.strip}>
      <Txt as="strong" lines={2} style={styles.name}>
        {`${name} wants to come in${further > 0 ? `, and ${further} more` : ''}`}
      </Txt>
      <GuestActs guest={guest} />
    </View>
  );
}

/** Lets somebody in who waits, or not. */
export function GuestActs({ guest: { guestId, name, legId } }: { guest: WaitingGuest }) {
  const styles = useStyles();
  const dispatch = useAppDispatch();
  const act = (what: 'letIn' | 'turnAway') =>
    void dispatch(send({ type: 'inMeeting', legId, act: { act: what, guestId } }));
  return (
    <View style={styles.acts}>
      <Plate
        word="Turn away"
        label={`Turn away: ${name}`}
        style={styles.act}
        onPress={() => act('turnAway')}
      />
      <Plate
        kind="answer"
        word="Let in"
        label={`Let in: ${name}`}
        style={styles.act}
        onPress={() => act('letIn')}
      />
    </View>
  );
}
