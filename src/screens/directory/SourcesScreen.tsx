import { ScrollView, StyleSheet, View } from 'react-native';

import type { Source } from '@/core/people/upkeep';
import { formatDayAndClock } from '@/core/shared/time';
import {
  actDone,
  selectCards,
  selectZone,
  useAppDispatch,
  useAppSelector,
  useNow,
  useServices,
} from '@/state/app';
import { connectSource, leaveSource, syncSource, useSources } from '@/state/people';
import { Problem } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';

import { offerUndo } from '../shared/undoOffer';
import { useGo } from '../shared/useGo';
import { ScreenTitle } from '../shared/ScreenTitle';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    screen: { flex: 1 },
    body: { padding: space.l, gap: space.l, maxWidth: 640 },
    source: {
      gap: space.s,
      padding: space.l,
      borderWidth: 1,
      borderColor: colours.edge,
      backgroundColor: colours.sheet,
    },
    plates: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  }),
);

/** The address books that contacts come from: kept in step, or left. */
export function SourcesScreen() {
  const styles = useStyles();
  const go = useGo();
  const sources = useSources();
  return (
    <ScrollView style={styles.screen} contentContainerStyle={styles.body} tabIndex={0}>
      <View>
        <ScreenTitle>Where contacts come from</ScreenTitle>
        <Txt as="small">
          What is new or different there comes here. What you changed yourself stays yours.
        </Txt>
      </View>
      {sources.map((source) => (
        <SourcePart key={source.id} source={source} />
      ))}
      <Plate word="Who may be listed twice" onPress={go.alike} />
      <Plate word="Directory" onPress={go.directory} />
    </ScrollView>
  );
}

function SourcePart({ source }: { source: Source }) {
  const styles = useStyles();
  const dispatch = useAppDispatch();
  const zone = useAppSelector(selectZone);
  const now = useNow(60_000);
  const count = useAppSelector(
    (state) => selectCards(state).filter(({ sourceId }) => sourceId === source.id).length,
  );
  const book = useServices().books.get(source.id);
  const { id, isOn, problem, syncedAt } = source;
  const name = book?.name ?? id;
  const leave = () => {
    const undo = dispatch(leaveSource(id));
    const said = `${name} is not used any more. Whoever you changed stays.`;
    dispatch(actDone(said));
    offerUndo({
      said,
      what: `${name} in use`,
      undo: () => {
        undo();
        dispatch(actDone(`${name} is in use again.`));
      },
    });
  };
  return (
    <View style={styles.source} role="region" aria-label={name}>
      <Txt as="heading" level={2}>
        {name}
      </Txt>
      <Txt as="small">{book?.about ?? ''}</Txt>
      {isOn ? (
        <View aria-live="polite">
          <Txt>{`${count === 1 ? '1 person' : `${count} people`} from there${lastWords(source)}.`}</Txt>
          {syncedAt === null ? null : (
            <Txt as="small">{`Up to date since ${formatDayAndClock(syncedAt, now, zone)}.`}</Txt>
          )}
        </View>
      ) : null}
      <Problem
        sentence={
          problem === null ? null : `${problem} What came before is kept; the rest is asked for again.`
        }
      />
      <View style={styles.plates}>
        {isOn ? (
          <>
            <Plate
              kind="main"
              word="Update now"
              label={`Update now: ${name}`}
              onPress={() => dispatch(syncSource(id))}
            />
            <Plate word="Stop using it" label={`Stop using it: ${name}`} onPress={leave} />
          </>
        ) : (
          <Plate
            kind="main"
            word="Bring in and keep up to date"
            label={`Bring in and keep up to date: ${name}`}
            onPress={() => dispatch(connectSource(id))}
          />
        )}
      </View>
    </View>
  );
}

function lastWords({ last }: Source): string {
  if (!last) return '';
  const { added, changed, gone, keptAsOwn } = last;
  const words = [
    added > 0 && `${added} new`,
    changed > 0 && `${changed} changed`,
    gone > 0 && `${gone} gone`,
    keptAsOwn > 0 && `${keptAsOwn} gone there but kept here, since you changed them`,
  ].filter(Boolean);
  return words.length === 0 ? ', nothing new' : `: ${words.join(', ')}`;
}
