import { useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';

import { reachServer } from '@/office/socket';
import { ServicesContext, useServices } from '@/state/app';
import { GuestCall, guestLinkOf, type GuestLink, type GuestNow } from '@/state/guest';
import { isServed } from '@/state/offices';
import { EmptyState, Problem } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';

import { useLayout } from '../shared/useLayout';
import { ComeForm } from './ComeForm';
import { GuestMeeting } from './GuestMeeting';
import { noMicrophone, overWords, refusedWords } from './guestWords';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    screen: { flex: 1, backgroundColor: colours.paper },
    body: { padding: space.l, gap: space.l, width: '100%', maxWidth: 480, alignSelf: 'center' },
    // On a wide screen not at its upper edge.
    low: { paddingTop: space.xl * 3 },
    words: { gap: space.m },
  }),
);

/** Where a link to a meeting leads: somebody outside asks to come in, takes part, and leaves. */
export function GuestScreen() {
  const [link] = useState(() => guestLinkOf(window.location));
  if (!link)
    return (
      <EmptyState
        level={1}
        title="This link is not whole"
        sentence="A part of it is missing. Copy all of it, or ask whoever sent it for another one."
      />
    );
  if (!isServed())
    return (
      <EmptyState
        level={1}
        title="That meeting is not here"
        sentence="Its office lives in the browser in which it was begun, and nobody else reaches it there. On a server, its links lead in."
      />
    );
  return <Guest link={link} />;
}

function Guest({ link }: { link: GuestLink }) {
  const call = useGuestCall(link);
  if (call === 'missing')
    return (
      <EmptyState level={1} title="Meeting" sentence="There is no network now.">
        <Plate kind="main" word="Try again" onPress={() => window.location.reload()} />
      </EmptyState>
    );
  if (!call) return <EmptyState level={1} title="Meeting" sentence="The office is being reached." />;
  return <Present call={call} link={link} />;
}

/** null: not there yet. */
function useGuestCall(link: GuestLink): GuestCall | null | 'missing' {
  const [call, setCall] = useState<GuestCall | null | 'missing'>(null);
  useEffect(() => {
    let made: GuestCall | null = null;
    let isGone = false;
    void reachServer().then(
      (server) => {
        if (isGone) return;
        const openMicrophone = async () => {
          const fetched = await import('@/office/microphone');
          return new fetched.OutgoingVoice(
            await fetched.openMicrophone({ microphoneId: null, noise: 'light' }),
          );
        };
        made = new GuestCall({ link, server, openMicrophone });
        setCall(made);
      },
      () => isGone || setCall('missing'),
    );
    return () => {
      isGone = true;
      made?.end();
    };
  }, [link]);
  return call;
}

function Present({ call, link: { isBeside } }: { call: GuestCall; link: GuestLink }) {
  const services = useServices();
  const mine = useMemo(() => ({ ...services, pictures: call }), [services, call]);
  const now = useSyncExternalStore(call.subscribe, () => call.now);
  if (now.seen?.state === 'in')
    return (
      <ServicesContext.Provider value={mine}>
        <GuestMeeting call={call} seen={now.seen} now={now} />
      </ServicesContext.Provider>
    );
  return <AtTheDoor call={call} now={now} isBeside={isBeside} />;
}

/** Before they are in, and after. */
function AtTheDoor({ call, now, isBeside }: { call: GuestCall; now: GuestNow; isBeside: boolean }) {
  const styles = useStyles();
  const { isWide } = useLayout();
  const { seen, refused, isHeard } = now;
  const isWaiting = seen?.state === 'waiting';
  const { title, sentence } = isWaiting
    ? {
        title: 'Waiting to be let in',
        sentence: `Whoever holds the meeting at ${seen.office} has been told. Nobody hears or sees you yet.`,
      }
    : seen?.state === 'over'
      ? overWords[seen.why]
      : isBeside
        ? besideWords
        : guestWords;
  const problem = refused === null ? null : refusedWords[refused];
  return (
    <ScrollView
      style={styles.screen}
      contentContainerStyle={[styles.body, isWide && styles.low]}
      tabIndex={0}
    >
      <View role="status" style={styles.words}>
        <Txt as="title" level={1}>
          {title}
        </Txt>
        <Txt>{sentence}</Txt>
      </View>
      <Problem sentence={problem ?? (isWaiting && isHeard === false ? noMicrophone : null)} />
      {isWaiting ? (
        <Plate kind="end" word="Go away again" onPress={() => call.leave()} />
      ) : (
        <ComeForm call={call} isBeside={isBeside} isAsking={now.isAsking} isAgain={seen !== null} />
      )}
    </ScrollView>
  );
}

const besideWords = {
  title: 'See the meeting here',
  sentence:
    'You see it on this screen, and are seen where you want to be. You go on talking, and hearing, by your phone.',
};
const guestWords = {
  title: 'Come to the meeting',
  sentence:
    'Say who you are: whoever holds the meeting reads it, and lets you in. Until then nobody hears or sees you.',
};
