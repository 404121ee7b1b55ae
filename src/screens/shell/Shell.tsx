import { usePathname } from 'expo-router';
import { Activity, useState, type ReactNode } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';

import { setClockStyle } from '@/core/shared/time';
import { selectClockStyle, selectIncoming, selectIsLocked, selectTaken, useAppSelector } from '@/state/app';
import { EmptyState } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { useLayers } from '@/ui/layer';
import { themed } from '@/ui/tokens';

import { CallScreen } from '../call/CallScreen';
import { LazyGuestsWaiting, LazySheet } from '../call/LazySheet';
import { openCallSheet, useCallSheet } from '../call/openSheet';
import { IncomingBand } from '../incoming/IncomingBand';
import { IncomingOver } from '../incoming/IncomingOver';
import { IncomingScreen } from '../incoming/IncomingScreen';
import { LiveColumn } from '../live/LiveColumn';
import { fetchLockedScreen, fetchSignInScreen } from '../looseEnds/fetchInboxScreens';
import { LaterScreen } from '../shared/LaterScreen';
import { useLayout } from '../shared/useLayout';
import { Announcer } from './Announcer';
import { ArrivalsLater } from './ArrivalsLater';
import { AsideStrip } from './AsideStrip';
import { CallStrip } from './CallStrip';
import { DeviceNotices, Notices } from './Notices';
import { PlaceBar, Places } from './PlaceBar';
import { Shortcuts } from './Shortcuts';
import { useCallsSettle } from './useCallsSettle';
import { useFocusKept } from './useFocusKept';
import { usePrefetch } from './usePrefetch';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    app: { flex: 1, backgroundColor: colours.paper },
    row: { flexDirection: 'row' },
    middle: { flex: 1, minWidth: 0, minHeight: 0 },
    main: { flex: 1, minHeight: 0 },
    // Two who call leave half of the screen to whoever is talked with.
    bands: { flexGrow: 0, flexShrink: 1, maxHeight: '50%' },
    // What is under an incoming call stays as it was left: half-typed numbers, scroll positions.
    covered: { display: 'none' },
  }),
);

/** What is around every screen; before anybody is signed in, the places alone. */
export function Shell({ children }: { children: ReactNode }) {
  const clockStyle = useAppSelector(selectClockStyle);
  // Before anything below is drawn: all that shows a time is drawn anew with it.
  setClockStyle(clockStyle);
  const isSignedIn = useAppSelector((state) => state.office.me !== null);
  return isSignedIn ? (
    <WholeShell key={clockStyle}>{children}</WholeShell>
  ) : (
    <StartingShell>{children}</StartingShell>
  );
}

/** Around the screen of whoever comes to a meeting by a link: nothing of the office. */
export function GuestShell({ children }: { children: ReactNode }) {
  const styles = useStyles();
  return (
    <View role="main" style={styles.app}>
      {children}
    </View>
  );
}

function StartingShell({ children }: { children: ReactNode }) {
  const styles = useStyles();
  const { isWide, isAcross } = useLayout();
  return (
    <View style={[styles.app, (isWide || isAcross) && styles.row]}>
      {isWide ? <Places form="rail" /> : isAcross ? <Places form="slimRail" /> : null}
      <View style={styles.middle}>
        <DeviceNotices />
        <View role="main" tabIndex={-1} style={styles.main}>
          <Phase>{children}</Phase>
        </View>
        {isWide || isAcross ? null : <Places form="bar" />}
      </View>
    </View>
  );
}

/** Places, notices, the docked call, and whoever is calling. */
function WholeShell({ children }: { children: ReactNode }) {
  const styles = useStyles();
  const { isWide, hasThird, isAcross } = useLayout();
  const incoming = useAppSelector(selectIncoming);
  const taken = useAppSelector(selectTaken);
  const isLocked = useAppSelector(selectIsLocked);
  const pathname = usePathname();
  const sheet = useCallSheet();
  usePrefetch();
  useCallsSettle();
  const [first] = incoming;
  const coversAll = first !== undefined && !isWide && taken.length === 0;
  const showsBand = first !== undefined && !coversAll && !hasThird;
  const layers = useLayers().length;
  useFocusKept(`${pathname} ${coversAll} ${layers} ${taken.length}`);
  return (
    <View style={[styles.app, (isWide || isAcross) && styles.row]}>
      {isWide ? <PlaceBar form="rail" /> : isAcross ? <PlaceBar form="slimRail" /> : null}
      <View style={styles.middle}>
        <Announcer />
        <Shortcuts />
        {coversAll ? <IncomingScreen view={first} alsoCalling={incoming.slice(1)} /> : null}
        <View style={coversAll ? styles.covered : styles.main}>
          {isLocked ? <DeviceNotices /> : <Notices />}
          <View role="main" tabIndex={-1} style={styles.main}>
            <Phase>{children}</Phase>
          </View>
          {showsBand ? (
            <ScrollView style={styles.bands}>
              {incoming.map((view) => (
                <IncomingBand key={view.id} view={view} />
              ))}
            </ScrollView>
          ) : null}
          {isLocked ? null : <LazyGuestsWaiting />}
          {isLocked ? null : <ArrivalsLater />}
          {isLocked ? null : <AsideStrip />}
          {hasThird && !isLocked ? null : <CallStrip />}
          {isWide || isAcross ? null : <PlaceBar form="bar" />}
        </View>
      </View>
      {hasThird && !isLocked ? <LiveColumn /> : null}
      <LazySheet open={isLocked ? null : sheet} onClose={() => openCallSheet(null)} />
      <IncomingOver incoming={incoming} />
    </View>
  );
}

/** Nothing is shown but a call that is talked on, and its acts. */
function Locked() {
  const isInCall = useAppSelector((state) => selectTaken(state).length > 0);
  return isInCall ? <CallScreen /> : <LaterScreen title="Locked" fetch={fetchLockedScreen} />;
}

/** What was open is there again as it was left, half-typed words too, once the device is unlocked; until then it is not seen. */
function Lockable({ isLocked, children }: { isLocked: boolean; children: ReactNode }) {
  const [wasSeen, setWasSeen] = useState(!isLocked);
  if (!isLocked && !wasSeen) setWasSeen(true);
  return (
    <>
      {wasSeen ? <Activity mode={isLocked ? 'hidden' : 'visible'}>{children}</Activity> : null}
      {isLocked ? <Locked /> : null}
    </>
  );
}

function Phase({ children }: { children: ReactNode }) {
  const { phase, failure, door } = useAppSelector((state) => state.office);
  const isLocked = useAppSelector(selectIsLocked);
  if (door !== null && phase === 'starting') return <LaterScreen title="Sign in" fetch={fetchSignInScreen} />;
  switch (phase) {
    case 'running':
      return <Lockable isLocked={isLocked}>{children}</Lockable>;
    case 'starting':
      return <EmptyState level={1} title="Starting" sentence="The office is being opened on this device." />;
    case 'failed':
      return (
        <EmptyState
          level={1}
          title="The office did not start"
          sentence={`Nothing is lost. ${failure ?? 'Why is not known.'}`}
        >
          <Plate kind="main" word="Try again" onPress={() => window.location.reload()} />
        </EmptyState>
      );
  }
}
