import { useMemo, useState, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';

import type { FigureCall, Place, Span } from '@/core/calls/figures';
import { liveAt } from '@/core/calls/route';
import { selectAllCalls, selectOffice, useAppSelector } from '@/state/app';
import { selectRunsOffice } from '@/state/configuration';
import { Row } from '@/ui/list';
import { EmptyState, Notice } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

import { CallsBehind } from '../figures/CallsBehind';
import { spanWords } from '../figures/figureWords';
import { SpanChoice } from '../figures/SpanChoice';
import { useFindings } from '../office/findings/useFindings';
import { Gone } from '../office/form/Gone';
import { ListScreen } from '../shared/ListScreen';
import { SavePicture } from '../shared/picture/SavePicture';
import { useGo } from '../shared/useGo';
import { useLayout } from '../shared/useLayout';
import { NumberSheet } from './NumberSheet';
import { PlaceSheet } from './PlaceSheet';
import { routeDrawing } from './routeDrawing';
import { RoutePicture } from './RoutePicture';
import { lostWords, nameOfPlace, nodeWords, passed } from './routeWords';
import { TriedStops, TryPart } from './TryPart';
import { useRoomIn } from './useRoomIn';
import { useRoute } from './useRoute';
import { useTried } from './useTried';

/** The route of calls from the office's numbers to their ends: as water, in words, and as one call that is tried. */
export function RouteScreen() {
  const runs = useAppSelector(selectRunsOffice);
  const office = useAppSelector(selectOffice);
  if (!runs) return <Gone what="Only whoever runs the office sees this." />;
  if (office.setup.lines.length === 0) return <NoLine />;
  return <OfLines />;
}

function NoLine() {
  const go = useGo();
  return (
    <ListScreen title="Route" foot={<Plate word="Office" onPress={go.office} />}>
      <EmptyState title="No line yet" sentence="The office has no number that could be called." />
      <Plate
        kind="main"
        word="Take a line"
        onPress={() => go.officeForm('lines', 'new')}
        style={styles.own}
      />
    </ListScreen>
  );
}

const mostTogether = 12;

function OfLines() {
  const go = useGo();
  const { isWide } = useLayout();
  const office = useAppSelector(selectOffice);
  const { lines } = office.setup;
  const [span, setSpan] = useState<Span>('month');
  const [chosen, setChosen] = useState<string | 'all' | null>(null);
  const [isChoosing, setChoosing] = useState(false);
  const [isSaving, setSaving] = useState(false);
  const [isTrying, setTrying] = useState(false);
  const [openedKey, setOpened] = useState<string | null>(null);
  const [calls, setCalls] = useState<{ place: Place; title: string } | null>(null);
  // On a phone one number at a time; where there is room, the whole, unless it is very wide.
  const followed = chosen ?? (isWide && lines.length <= mostTogether ? 'all' : (lines[0]?.id ?? 'all'));
  const one = lines.find(({ id }) => id === followed);
  const lineIds = useMemo(() => (one ? [one.id] : lines.map(({ id }) => id)), [one, lines]);
  const { route, callsByLine, isFailed, behind } = useRoute(office, lineIds, span);
  const tried = useTried(route, office, (one ?? lines[0])?.id ?? '');
  const onTheirWay = useAppSelector(selectAllCalls);
  const live = useMemo(() => liveAt(onTheirWay, lineIds, office), [onTheirWay, lineIds, office]);
  const { problems, lost } = useFindings();
  const wrong = useMemo(() => {
    const keys = new Set(lost.flatMap(({ personId }) => keysOf('people', personId)));
    for (const { table, id } of problems) for (const key of keysOf(table, id)) keys.add(key);
    return keys;
  }, [problems, lost]);
  const total = lineIds.reduce((sum, id) => sum + (callsByLine?.get(id) ?? 0), 0);
  const opened = route.nodes.find(({ key }) => key === openedKey);
  const picture = (
    <WithRoom>
      {(room) => (
        <RoutePicture
          {...{ route, office, room, live, wrong }}
          lit={isTrying ? tried.lit : []}
          hereKey={isTrying ? tried.hereKey : null}
          onOpen={({ key }) => setOpened(key)}
        />
      )}
    </WithRoom>
  );
  const counted =
    callsByLine === null
      ? `the calls ${isFailed ? 'can’t be' : 'are being'} counted`
      : `${total === 1 ? '1 call' : `${total} calls`}, ${lostWords(route, office)}`;
  const about = `${one ? one.name : 'All numbers'} · ${spanWords[span].word}: ${counted}.`;
  const screen = (
    <ListScreen
      title="Route"
      about={about}
      entry={isTrying ? <TryPart of={tried} /> : undefined}
      head={<SpanChoice value={span} onChoose={setSpan} />}
      foot={
        <>
          {isTrying ? null : <Plate word="Office" onPress={go.office} />}
          <Plate word="Another number" onPress={() => setChoosing(true)} />
          <Plate
            kind={isTrying ? 'plain' : 'main'}
            word={isTrying ? 'End the try' : 'Try a call'}
            onPress={() => {
              tried.playing.rest();
              setTrying(!isTrying);
            }}
          />
        </>
      }
    >
      {isFailed ? (
        <Notice sentence="The calls can’t be counted now. It is tried again when you choose another time." />
      ) : null}
      <View style={styles.body}>
        {picture}
        <View style={isWide ? styles.columns : styles.stack}>
          {isTrying ? (
            <View style={isWide && styles.column}>
              <TriedStops of={tried} />
            </View>
          ) : null}
          <View style={isWide && styles.column}>
            <Txt as="heading" level={2}>
              Place by place
            </Txt>
            <Txt as="small">A tap shows what is there, and changes it.</Txt>
            <View role="list" aria-label="Places of the route">
              {passed(route).map((node) => (
                <View key={node.key} role="listitem">
                  <Row
                    title={nameOfPlace(node.place, office)}
                    detail={`${live.has(node.key) ? `${live.get(node.key)} there now; ` : ''}${nodeWords(node, route, office)}`}
                    detailLines={4}
                    onPress={() => setOpened(node.key)}
                  />
                </View>
              ))}
            </View>
            <Plate word="Save as a picture" style={styles.own} onPress={() => setSaving(true)} />
          </View>
        </View>
      </View>
    </ListScreen>
  );
  return (
    <>
      {screen}
      {isChoosing ? (
        <NumberSheet
          callsByLine={callsByLine}
          onClose={() => setChoosing(false)}
          onChoose={(id) => {
            setChosen(id ?? 'all');
            setChoosing(false);
          }}
        />
      ) : null}
      {isSaving ? (
        <SavePicture
          title="Save the route"
          name="route"
          draw={() => routeDrawing(route, office, { title: `Route of ${one?.name ?? 'all numbers'}`, about })}
          onClose={() => setSaving(false)}
        />
      ) : null}
      {opened && !calls ? (
        <PlaceSheet
          node={opened}
          route={route}
          problems={problems.filter(({ table, id }) => keysOf(table, id).includes(opened.key))}
          lost={lost.filter(({ personId }) => keysOf('people', personId).includes(opened.key))}
          onCalls={(place, title) => setCalls({ place, title })}
          onClose={() => setOpened(null)}
        />
      ) : null}
      {calls ? (
        <CallsBehind
          title={calls.title}
          read={(): Promise<FigureCall[]> => behind(calls.place)}
          hours={null}
          withinSeconds={20}
          onClose={() => setCalls(null)}
        />
      ) : null}
    </>
  );
}

/** Which places a row of the office's configuration stands at. */
function keysOf(table: string, id: string): string[] {
  switch (table) {
    case 'lines':
      return [`line/${id}`];
    case 'teams':
      return [`team/${id}`, `hours/${id}`];
    case 'menus':
      return [`menu/${id}`];
    case 'conferences':
      return [`conference/${id}`];
    case 'people':
    case 'ringPlans':
      return [`person/${id}`, `extension/${id}`];
    default:
      return [];
  }
}

/** Its children with how wide they may be. */
function WithRoom({ children }: { children: (room: number) => ReactNode }) {
  const { room, onLayout } = useRoomIn();
  return (
    <View onLayout={onLayout} style={styles.room}>
      {room === null ? null : children(room)}
    </View>
  );
}

const styles = StyleSheet.create({
  body: { padding: space.l, gap: space.xl },
  stack: { gap: space.xl },
  columns: { flexDirection: 'row', gap: space.xl },
  column: { flex: 1, minWidth: 0 },
  room: { minHeight: 200 },
  own: { margin: space.l, alignSelf: 'flex-start' },
});
