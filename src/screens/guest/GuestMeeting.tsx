import { useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';

import type { GuestIn } from '@/core/guests';
import { useNow } from '@/state/app';
import type { GuestCall, GuestNow } from '@/state/guest';
import { Notice, Problem } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, target, themed, useTheme } from '@/ui/tokens';

import { ActRows } from '../call/ActRows';
import { MovingPicture } from '../call/meeting/MovingPicture';
import type { CordShape } from '../call/cordShape';
import { PartyPictures } from '../call/meeting/PartyPictures';
import { largeOf, pictureName } from '../call/meeting/pictureWords';
import { TrunkDrawing } from '../call/TrunkDrawing';
import { GuestSheet, type GuestSheetOpen } from './GuestSheet';
import { endedWords, guestMarks, hearingOf, hearingWords, noMicrophone, refusedWords } from './guestWords';
import { useGuestActs } from './useGuestActs';

/** The cords have so much at the left. */
const gutter = 68;

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    screen: { flex: 1, backgroundColor: colours.paper },
    head: {
      paddingHorizontal: space.l,
      paddingVertical: space.s,
      borderBottomWidth: 1,
      borderColor: colours.rule,
    },
    scroll: { flex: 1, minHeight: 0 },
    all: { flexGrow: 1, padding: space.l, gap: space.m, width: '100%', maxWidth: 720, alignSelf: 'center' },
    picture: { flexGrow: 1, position: 'relative' },
    cords: { position: 'absolute', left: 0, top: 0, bottom: -space.l, width: gutter },
    cards: { marginLeft: gutter },
    speaking: { borderRightWidth: 6, borderRightColor: colours.saffron },
    card: {
      flexDirection: 'row',
      minHeight: target + 8,
      backgroundColor: colours.sheet,
      borderWidth: 1,
      borderColor: colours.ink,
    },
    words: { flex: 1, minWidth: 0, paddingHorizontal: space.m, paddingVertical: space.s },
    own: { width: 104, height: 64 },
    // On a wide screen not as wide as that.
    column: { width: '100%', maxWidth: 720, alignSelf: 'center' },
    end: { paddingHorizontal: space.l, paddingVertical: space.m, backgroundColor: colours.sheet },
    endPlate: { minHeight: 60 },
  }),
);

interface GuestMeetingProps {
  call: GuestCall;
  seen: GuestIn;
  now: GuestNow;
}

/** A meeting as a guest sees it: who is there, with a cord to each that tells who hears whom, what they show, and what the guest can do. */
export function GuestMeeting({
  call,
  seen,
  now: { refused, isReached, isHeard, ended, speaking },
}: GuestMeetingProps) {
  const styles = useStyles();
  const { colours } = useTheme();
  const [height, setHeight] = useState(0);
  const [heights, setHeights] = useState<Readonly<Record<string, number>>>({});
  const middles = middlesOf(seen, heights);
  const now = useNow();
  const [chosenId, setChosenId] = useState<string | null>(null);
  const [open, setOpen] = useState<GuestSheetOpen | null>(null);
  const acts = useGuestActs(call, seen, setOpen);
  const pictures = seen.pictures.map((each) => ({ ...each, isMine: each.legId === seen.legId }));
  const largeId = largeOf({ pictures }, chosenId, speaking.front);
  const problem = acts.problem ?? (refused === null ? null : refusedWords[refused]);
  return (
    <View style={styles.screen}>
      <View style={styles.head}>
        <Txt as="small" level={1} lines={1}>
          <Txt as="strong">Meeting</Txt>
          {` · ${seen.office}`}
        </Txt>
      </View>
      <View role="status">
        {isReached ? null : (
          <Notice
            tone="alarm"
            sentence="The office is not reached now. Those who hear each other go on; it comes again by itself."
          />
        )}
        {seen.isHeld ? (
          <Notice sentence="You are on hold: nobody hears or sees you, and you hear nobody." />
        ) : null}
        {seen.isRecorded ? <Notice sentence="It is recorded by somebody who is in it." /> : null}
        {isHeard === false && !seen.isBeside ? <Notice tone="alarm" sentence={noMicrophone} /> : null}
        {ended === null ? null : <Notice sentence={endedWords[ended]} />}
      </View>
      <ScrollView style={styles.scroll} contentContainerStyle={styles.all} tabIndex={0}>
        <Problem sentence={problem} />
        <View style={styles.picture} onLayout={({ nativeEvent: { layout } }) => setHeight(layout.height)}>
          <View style={styles.cords} aria-hidden>
            {middles && height > 0 ? (
              <TrunkDrawing
                width={gutter}
                height={height + space.l}
                trunks={[
                  {
                    ...{ key: seen.legId, colour: colours.cords[0] ?? colours.ink, isActive: !seen.isHeld },
                    branches: seen.others.map(({ legId }) => ({
                      ...{ key: legId, y: middles[legId] ?? 0, isPrivate: false },
                      shape: cordTo(seen, legId),
                    })),
                  },
                ]}
              />
            ) : null}
          </View>
          <View role="list" aria-label="Who is there" style={styles.cards}>
            {seen.others.map(({ legId, name }) => (
              <View
                key={legId}
                role="listitem"
                onLayout={({ nativeEvent: { layout } }) =>
                  setHeights((known) => ({ ...known, [legId]: layout.height }))
                }
              >
                <PartyPictures
                  party={{ legId, name }}
                  meeting={{ pictures }}
                  largeId={largeId}
                  onChoose={setChosenId}
                  onSizes={(picture) => setOpen({ ...picture, title: pictureName(name, picture.kind) })}
                />
                <View style={[styles.card, speaking.legIds.includes(legId) && styles.speaking]}>
                  <View style={styles.words}>
                    <Txt as="strong" lines={2}>
                      {name}
                    </Txt>
                    <Txt as="small">
                      {[
                        ...(speaking.legIds.includes(legId) ? ['speaks'] : []),
                        ...(seen.isBeside ? [] : [hearingWords(seen, legId)]),
                        ...guestMarks(seen, legId, now),
                      ].join(' · ') || 'is there'}
                    </Txt>
                  </View>
                </View>
              </View>
            ))}
          </View>
        </View>
      </ScrollView>
      <View style={styles.column}>
        <View style={styles.card}>
          {pictures.map(({ id, kind, isMine }) =>
            isMine ? (
              <MovingPicture
                key={id}
                legId={seen.legId}
                kind={kind}
                isMine
                label={`What you show: your ${kind}`}
                style={styles.own}
              />
            ) : null,
          )}
          <View style={styles.words}>
            <Txt as="strong">You</Txt>
            <Txt as="small">
              {[ownWords(seen, isHeard), ...guestMarks(seen, seen.legId, now)].join(' · ')}
            </Txt>
          </View>
        </View>
        <ActRows groups={[acts.group]} isBare />
        <View style={styles.end}>
          <Plate
            kind="end"
            word={seen.isBeside ? 'Close it here' : 'Leave the meeting'}
            style={styles.endPlate}
            onPress={() => call.leave()}
          />
        </View>
      </View>
      {open ? (
        <GuestSheet {...{ open, call, problem }} legId={seen.legId} onClose={() => setOpen(null)} />
      ) : null}
    </View>
  );
}

function ownWords(seen: GuestIn, isHeard: boolean | null): string {
  if (seen.isBeside) return 'heard by your phone';
  if (seen.isHeld) return 'on hold';
  if (seen.isMuted || isHeard === false) return 'nobody hears you';
  const hearing = seen.others.filter(({ legId }) => hearingOf(seen, legId).hears);
  return hearing.length === 0 ? 'nobody hears you' : `heard by ${hearing.map(({ name }) => name).join(', ')}`;
}

/** Where the middle of each card is, from the top; null while one has no height yet. */
function middlesOf({ others }: GuestIn, heights: Readonly<Record<string, number>>) {
  const middles: Record<string, number> = {};
  let top = 0;
  for (const { legId } of others) {
    const height = heights[legId];
    if (height === undefined) return null;
    middles[legId] = top + height / 2;
    top += height;
  }
  return middles;
}

/** What goes by the cord to somebody; of whoever talks by their phone that is not known here. */
function cordTo(seen: GuestIn, legId: string): CordShape {
  if (seen.isBeside) return { reach: 'plugged', up: 'none', down: 'none', rings: false };
  const { hears, isHeard } = hearingOf(seen, legId);
  return {
    reach: seen.isHeld ? 'held' : 'plugged',
    ...{ up: hears ? 'sounds' : 'cut', down: isHeard ? 'sounds' : 'cut', rings: false },
  };
}
