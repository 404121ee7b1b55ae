import { StyleSheet, View } from 'react-native';

import { newestTold, toldAtOf, type Told } from '@/core/inbox/notifications';
import { formatClock, formatDay } from '@/core/shared/time';
import { selectZone, useAppDispatch, useAppSelector, useNow } from '@/state/app';
import { tellAgain } from '@/state/telling';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

const mostShown = 20;
const kindWords = { missedCall: 'Missed call', voicemail: 'Voicemail', text: 'Text' } as const;

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    part: { gap: space.s },
    row: {
      flexDirection: 'row',
      alignItems: 'center',
      gap: space.m,
      minHeight: 56,
      paddingVertical: space.s,
      borderBottomWidth: 1,
      borderColor: colours.rule,
    },
    words: { flex: 1, minWidth: 0 },
  }),
);

/** What was told lately, newest first, and how far it has come. */
export function ToldList() {
  const styles = useStyles();
  const told = useAppSelector((state) => state.inbox.kept.told);
  const newest = newestTold(Object.values(told)).slice(0, mostShown);
  return (
    <View style={styles.part} role="region" aria-label="What was told">
      <Txt as="heading" level={2}>
        What was told
      </Txt>
      {newest.length === 0 ? <Txt as="small">Nothing yet.</Txt> : null}
      <View role="list">
        {newest.map((one) => (
          <ToldRow key={one.id} told={one} />
        ))}
      </View>
    </View>
  );
}

function ToldRow({ told }: { told: Told }) {
  const styles = useStyles();
  const { colours } = useTheme();
  const dispatch = useAppDispatch();
  const zone = useAppSelector(selectZone);
  const now = useNow(60_000);
  const { id, notice, place, progress } = told;
  const toldAt = toldAtOf(told);
  const where = place.kind === 'mail' ? place.address : new URL(place.url).host;
  const isOpen = progress !== null && progress.state !== 'delivered' && progress.tries > 0;
  return (
    <View role="listitem" style={styles.row}>
      <View style={styles.words}>
        <Txt as="strong" lines={1}>
          {`${kindWords[notice.kind]}, ${notice.from.name}`}
        </Txt>
        <Txt as="small" lines={1}>
          {`${formatDay(toldAt, now, zone)} ${formatClock(toldAt, zone)} · to ${where}`}
        </Txt>
        <Txt as="small" colour={progress?.state === 'failed' ? colours.rowan : colours.faint}>
          {progressWords(told)}
        </Txt>
      </View>
      {isOpen ? (
        <Plate
          word="Try now"
          label={`Try now: ${notice.from.name} to ${where}`}
          onPress={() => void dispatch(tellAgain(id))}
        />
      ) : null}
    </View>
  );
}

function progressWords({ progress }: Told): string {
  if (progress === null) return 'Waits for the office’s server.';
  const { state, tries, problem } = progress;
  if (state === 'delivered') return tries === 1 ? 'Delivered.' : `Delivered at try ${tries}.`;
  if (state === 'failed')
    return `Given up after ${tries === 1 ? '1 try' : `${tries} tries`}. ${problem ?? ''}`;
  return tries === 0 ? 'On its way.' : `${problem ?? ''} It will be tried again.`;
}
