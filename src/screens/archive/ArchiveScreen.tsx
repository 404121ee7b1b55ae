import { useEffect, useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';

import { formatClock, formatDay, localDayKey } from '@/core/shared/time';
import { actDone, selectMyId, selectZone, useAppDispatch, useAppSelector, useServices } from '@/state/app';
import {
  makeArchive,
  readBefore,
  readRestoring,
  restore,
  undoRestore,
  type BeforeRestore,
  type Restoring,
} from '@/state/archive';
import { Problem } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

import { pickBlob, saveBlob } from '../shared/files';
import { useGo } from '../shared/useGo';
import { AsidePart } from './AsidePart';
import { KeepPart } from './KeepPart';
import { ScreenTitle } from '../shared/ScreenTitle';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    screen: { flex: 1 },
    body: { padding: space.l, gap: space.xl },
    part: { gap: space.m },
    found: { gap: space.s, padding: space.m, borderWidth: 1, borderColor: colours.edge },
  }),
);

/** Everything out of this device as one file, and back: into an empty app or a full one. */
export function ArchiveScreen() {
  const styles = useStyles();
  const { colours } = useTheme();
  const dispatch = useAppDispatch();
  const go = useGo();
  const services = useServices();
  const zone = useAppSelector(selectZone);
  const myId = useAppSelector(selectMyId);
  const [found, setFound] = useState<Restoring | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [room, setRoom] = useState<'enough' | 'notForBoth' | 'none'>('enough');
  const [isBusy, setBusy] = useState(false);
  const { vault, clock } = services;

  const save = async () => {
    if (!vault) return;
    setBusy(true);
    const now = clock.now();
    await services.finish(false);
    const archive = await makeArchive(vault, now);
    saveBlob(
      `cendro-${localDayKey(now, zone)}.zip`,
      new Blob([archive as BlobPart], { type: 'application/zip' }),
    );
    setBusy(false);
    dispatch(actDone('The archive is made. Keep it where others can’t read it.'));
  };
  const choose = async () => {
    const file = await pickBlob('.zip');
    if (!file || !vault) return;
    setBusy(true);
    setFound(null);
    setRoom('enough');
    setProblem(null);
    const read = await file
      .arrayBuffer()
      .then((bytes) => readRestoring(vault, new Uint8Array(bytes), myId))
      .catch(() => ({ ok: false as const, sentence: 'The file could not be read.' }));
    setBusy(false);
    if (read.ok) setFound(read);
    else setProblem(`${read.sentence} Nothing was changed.`);
  };
  const bringIn = async (hasWayBack: boolean) => {
    if (!found || !vault) return;
    await services.finish(true);
    try {
      await restore(vault, found, clock.now(), hasWayBack);
    } catch {
      services.reopen();
      setRoom(hasWayBack ? 'notForBoth' : 'none');
      return;
    }
    services.beginAnew();
  };
  return (
    <ScrollView style={styles.screen} contentContainerStyle={styles.body} tabIndex={0}>
      <ScreenTitle>Everything in one file</ScreenTitle>
      <View style={styles.part}>
        <Txt>
          Calls, voicemails and recordings with their sound, texts, notes, who waits, your ring plan and
          settings: as a zip file with a list of its contents, so that every part can be checked when you
          bring it back.
        </Txt>
        <Plate kind="main" word="Save everything" disabled={isBusy || !vault} onPress={() => void save()} />
      </View>
      <View style={styles.part}>
        <Txt as="heading" level={2}>
          Bring an archive in
        </Txt>
        <Plate word="Choose the file" disabled={isBusy || !vault} onPress={() => void choose()} />
        {isBusy ? (
          <View role="status">
            <Txt as="small">It is being checked.</Txt>
          </View>
        ) : null}
        <Problem sentence={problem} />
        {found ? (
          <View style={styles.found} role="region" aria-label="What would change">
            <Txt as="strong">{`An archive of ${formatDay(found.madeAt, clock.now(), zone)}`}</Txt>
            <Txt>{changeWords('Would be added', found.adds)}</Txt>
            <Txt>{changeWords('Would take the place of what is here', found.replaces)}</Txt>
            <Txt as="small">Everything else stays. The app then starts again.</Txt>
            {room === 'enough' ? (
              <Plate kind="main" word="Bring it in" onPress={() => void bringIn(true)} />
            ) : (
              <View role="alert">
                <Txt colour={colours.rowan}>
                  {room === 'none'
                    ? 'This device has no room for it. Nothing was changed.'
                    : 'There is no room to keep a way back. Nothing was changed.'}
                </Txt>
              </View>
            )}
            {room === 'notForBoth' ? (
              <Plate word="Bring it in with no way back" onPress={() => void bringIn(false)} />
            ) : null}
            <Plate word="Leave it out" onPress={() => setFound(null)} />
          </View>
        ) : null}
      </View>
      <WayBack />
      <AsidePart />
      <KeepPart />
      <Plate word="Back to Office" onPress={go.office} />
    </ScrollView>
  );
}

/** Takes the last archive back that was brought in. */
function WayBack() {
  const styles = useStyles();
  const { vault, clock, finish, beginAnew } = useServices();
  const zone = useAppSelector(selectZone);
  const [before, setBefore] = useState<BeforeRestore | null>(null);
  useEffect(() => {
    if (!vault) return;
    let isGone = false;
    void readBefore(vault).then((found) => isGone || setBefore(found));
    return () => {
      isGone = true;
    };
  }, [vault]);
  if (!before || !vault) return null;
  const when = `${formatDay(before.at, clock.now(), zone)}, ${formatClock(before.at, zone)}`;
  return (
    <View style={styles.part} role="region" aria-label="The way back">
      <Txt>{`An archive was brought in: ${when}. What was here before it is still kept.`}</Txt>
      <Plate
        word="Undo: put back what was here"
        onPress={() =>
          void finish(true)
            .then(() => undoRestore(vault, before))
            .then(beginAnew)
        }
      />
    </View>
  );
}

function changeWords(what: string, changes: Restoring['adds']): string {
  if (changes.length === 0) return `${what}: nothing.`;
  return `${what}: ${changes.map(({ name, count }) => (count === 1 ? name : `${name} (${count})`)).join(', ')}.`;
}
