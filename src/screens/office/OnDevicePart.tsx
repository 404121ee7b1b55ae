import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';

import { takeNewer, useAppDispatch, useAppSelector, type AppKept } from '@/state/app';
import { askToStay, roomUsed, type RoomUsed } from '@/state/onDevice';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, useTheme } from '@/ui/tokens';

const keptWords: Record<AppKept, string> = {
  no: 'This browser keeps no apps: with no network, only a tab that is open goes on.',
  fetching: 'Cendro is being kept on this device, to open with no network.',
  kept: 'Cendro is kept on this device: it opens with no network.',
  failed:
    'Cendro could not be kept on this device: with no network it won’t open. It is tried again at the next start.',
};

/** Whether the app opens with no network, what it takes of this device's room, and whether the browser may clear it. */
export function OnDevicePart() {
  const { colours } = useTheme();
  const dispatch = useAppDispatch();
  const { appKept, isNewerHere } = useAppSelector((state) => state.notices);
  const [room, setRoom] = useState<RoomUsed | null>(null);
  const [isRefused, setRefused] = useState(false);
  useEffect(() => {
    void roomUsed().then(setRoom);
  }, [appKept]);
  const stay = async () => {
    setRefused(!(await askToStay()));
    setRoom(await roomUsed());
  };
  return (
    <View style={styles.part} role="region" aria-label="On this device">
      <Txt as="heading" level={2}>
        On this device
      </Txt>
      <Txt colour={colours.faint}>{keptWords[appKept]}</Txt>
      {room === null ? null : <Txt as="small">{roomWords(room)}</Txt>}
      {room && !room.stays ? (
        <>
          <Txt as="small">
            {isRefused
              ? 'The browser does not promise it yet. It does once Cendro is installed, or has been used for a while.'
              : 'The browser may clear it when the device runs out of room.'}
          </Txt>
          <Plate word="Ask the browser never to clear it" onPress={() => void stay()} />
        </>
      ) : null}
      {isNewerHere ? (
        <>
          <Txt>A newer Cendro is here. It is used once no tab of this one is open.</Txt>
          <Plate word="Use it now" onPress={() => dispatch(takeNewer())} />
        </>
      ) : null}
    </View>
  );
}

function roomWords({ appBytes, keptBytes, freeBytes, stays }: RoomUsed): string {
  const parts = [
    ...(appBytes === null ? [] : [`the app itself ${inMegabytes(appBytes)}`]),
    `calls, messages and sounds ${inMegabytes(keptBytes)}`,
    `${inMegabytes(freeBytes)} are free`,
  ];
  return `Room: ${parts.join(', ')}.${stays ? ' The browser never clears it by itself.' : ''}`;
}

const inMegabytes = (bytes: number) => {
  const megabytes = bytes / 1_000_000;
  return megabytes >= 1_000
    ? `${(megabytes / 1_000).toFixed(1)} GB`
    : `${megabytes < 10 ? megabytes.toFixed(1) : Math.round(megabytes)} MB`;
};

const styles = StyleSheet.create({ part: { gap: space.s } });
