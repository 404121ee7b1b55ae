import { useState, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';

import { isActive, meetingOf, nameOfCall, useAppSelector, type CallView, type PartyView } from '@/state/app';
import { Plate } from '@/ui/plate';
import { space, themed, useTheme } from '@/ui/tokens';

import { shapeOf } from './cordShape';
import { EndCard } from './EndCard';
import { PartyPictures, SmallPictures } from './meeting/PartyPictures';
import { openCallSheet } from './openSheet';
import { largeOf, marksOf } from './meeting/pictureWords';
import { TrunkDrawing } from './TrunkDrawing';

const gutter = 68;
const groupGap = space.m;

const useStyles = themed(() =>
  StyleSheet.create({
    picture: { flexGrow: 1, position: 'relative' },
    cords: { position: 'absolute', left: 0, top: 0, bottom: 0, width: gutter },
    groups: { marginLeft: gutter, gap: groupGap, paddingBottom: space.l },
    between: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
    row: { flexDirection: 'row' },
    act: { flexGrow: 1, paddingHorizontal: space.s },
  }),
);

/** What can be done on the cords themselves. */
export interface CordActs {
  onTalkTo: (view: CallView) => void;
  onParty: (view: CallView, party: PartyView) => void;
  /** The held call is joined with the one talked on, by leaving them together or by staying with both. */
  onConnect: (held: CallView) => void;
  onMerge: (held: CallView) => void;
  /** Two calls that have nothing to do with each other: asked first what is to be true. */
  onJoin: (held: CallView) => void;
}

interface TrunksProps extends CordActs {
  calls: readonly CallView[];
  now: number;
  /** Hangs beside the cords, nearest to you. */
  beside?: ReactNode;
}

/** Several ends: a card each, grouped by call, the one talked on nearest to you; the cords run up the left. */
export function Trunks({ calls, now, beside, onTalkTo, onParty, onConnect, onMerge, onJoin }: TrunksProps) {
  const styles = useStyles();
  const { colours } = useTheme();
  const [height, setHeight] = useState(0);
  // Only heights are told when they change, so that where a card stands is added up.
  const [heights, setHeights] = useState<Readonly<Record<string, number>>>({});
  const active = calls.find(isActive);
  const inOrder = [...calls.filter((view) => view !== active), ...(active ? [active] : [])];
  const middles = middlesOf(inOrder, heights);
  return (
    <View style={styles.picture} onLayout={({ nativeEvent: { layout } }) => setHeight(layout.height)}>
      <View style={styles.cords} aria-hidden>
        {middles && height > 0 ? (
          <TrunkDrawing
            width={gutter}
            height={height}
            trunks={inOrder.map((view) => ({
              key: view.id,
              colour: colours.cords[view.line?.cord.hue ?? 0] ?? colours.ink,
              isActive: isActive(view),
              branches: view.others.map((party) => ({
                key: party.legId,
                y: middles[party.legId] ?? 0,
                shape: shapeOf(view, party),
                isPrivate: party.room === 'private' && view.me.room === 'private',
              })),
            }))}
          />
        ) : null}
      </View>
      <View style={styles.groups}>
        {inOrder.map((view) => (
          <Group
            key={view.id}
            view={view}
            now={now}
            active={active}
            onHeight={(id, value) => setHeights((known) => ({ ...known, [id]: value }))}
            {...{ onTalkTo, onParty, onConnect, onMerge, onJoin }}
          />
        ))}
        {beside}
      </View>
    </View>
  );
}

/** From so many others on each stands in a line of their own, and who is seen first. */
const many = 6;
const isLargeMeeting = ({ call, others }: CallView) => call.meeting !== null && others.length >= many;

/** The other ends in the order in which they stand. */
function inPlace(view: CallView): readonly PartyView[] {
  const pictures = view.call.meeting?.pictures;
  if (!pictures || !isLargeMeeting(view)) return view.others;
  const isSeen = ({ legId }: PartyView) => pictures.some((each) => each.legId === legId);
  return [...view.others.filter(isSeen), ...view.others.filter((party) => !isSeen(party))];
}

/** The middle of each card from the top, by its leg; null while one has no height yet. */
function middlesOf(
  views: readonly CallView[],
  heights: Readonly<Record<string, number>>,
): Record<string, number> | null {
  const middles: Record<string, number> = {};
  let top = 0;
  for (const view of views) {
    let cardTop = top;
    for (const { legId } of inPlace(view)) {
      const height = heights[legId];
      if (height === undefined) return null;
      middles[legId] = cardTop + height / 2;
      cardTop += height;
    }
    top += (heights[view.id] ?? cardTop - top) + groupGap;
  }
  return middles;
}

interface GroupProps extends CordActs {
  view: CallView;
  now: number;
  active: CallView | undefined;
  /** How tall the group (by its call’s id) or one of its cards (by its leg’s) is. */
  onHeight: (id: string, height: number) => void;
}

function Group(props: GroupProps) {
  const { view, now, active, onHeight, onTalkTo, onParty, onConnect, onMerge, onJoin } = props;
  const styles = useStyles();
  const isHeld = view.phase === 'held';
  const isJoinable = isHeld && active !== undefined && canJoin(view, active);
  const isConsultation = active !== undefined && areOfOneMatter(view, active);
  const names = active ? `${nameOfCall(view)} and ${nameOfCall(active)}` : '';
  const meeting = meetingOf(view);
  const [chosenId, setChosenId] = useState<string | null>(null);
  const speaking = useAppSelector(({ office }) => office.speaking);
  const largeId = meeting && largeOf(meeting, chosenId, speaking.front);
  const isMany = isLargeMeeting(view);
  return (
    <View
      role="group"
      aria-label={groupLabel(view)}
      onLayout={({ nativeEvent: { layout } }) => onHeight(view.id, layout.height)}
    >
      {inPlace(view).map((party, index) => (
        <View
          key={party.legId}
          onLayout={({ nativeEvent: { layout } }) => onHeight(party.legId, layout.height)}
        >
          {meeting ? (
            <PartyPictures
              {...{ party, meeting, largeId, isMany }}
              onChoose={setChosenId}
              onSizes={({ legId, kind }) =>
                openCallSheet({ kind: 'picture', view, legId, pictureKind: kind })
              }
            />
          ) : null}
          <View style={isMany && styles.row}>
            {meeting && isMany ? (
              <SmallPictures {...{ party, meeting, largeId, isMany }} onChoose={setChosenId} />
            ) : null}
            <EndCard
              view={view}
              party={party}
              isSmall={isMany}
              marks={meeting ? marksOf(meeting, view, party.legId, now) : undefined}
              speaks={meeting !== null && speaking.legIds.includes(party.legId)}
              now={now}
              isFirst={index === 0}
              act={
                isHeld
                  ? index === 0
                    ? { word: 'Talk', onPress: () => onTalkTo(view) }
                    : undefined
                  : view.others.length > 1
                    ? { word: 'More', onPress: () => onParty(view, party) }
                    : undefined
              }
            />
          </View>
        </View>
      ))}
      {isJoinable ? (
        <View style={[styles.between, { marginTop: space.s }]}>
          {isConsultation ? (
            <>
              <Plate
                kind="main"
                word="Connect, leave"
                label={`Connect, leave: ${names}`}
                onPress={() => onConnect(view)}
                style={styles.act}
              />
              <Plate
                word="All together"
                label={`All together: ${names}`}
                onPress={() => onMerge(view)}
                style={styles.act}
              />
            </>
          ) : (
            <Plate
              word="Join the two calls …"
              label={`Join the two calls: ${names}`}
              onPress={() => onJoin(view)}
              style={styles.act}
            />
          )}
        </View>
      ) : null}
    </View>
  );
}

/** Whether the two can become one: somebody is there, or is being called; no emergency number, no machine. */
const canJoin = (held: CallView, { phase, call }: CallView) =>
  held.call.answeredAt !== null &&
  !held.call.emergency &&
  !call.emergency &&
  (phase === 'talking' || phase === 'ringing');

/** One was placed to consult about the other. */
const areOfOneMatter = (a: CallView, b: CallView) =>
  a.call.consultationFor === b.id || b.call.consultationFor === a.id;

const groupLabel = ({ phase, others }: CallView) =>
  `${phase === 'held' ? 'Held' : 'On the line'}: ${others.map(({ name }) => name).join(', ')}`;
