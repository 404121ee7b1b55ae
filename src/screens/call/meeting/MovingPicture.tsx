import { useEffect, useRef, useState, useSyncExternalStore, type RefObject } from 'react';
import { StyleSheet, View, type StyleProp, type ViewStyle } from 'react-native';

import type { PictureKind } from '@/core/calls/meetings';
import { useServices } from '@/state/app';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

import { Film } from './Film';

/** A picture of which nothing new has come for so long stands still. */
const stillMs = 3_000;

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    frame: { backgroundColor: colours.night, overflow: 'hidden' },
    said: {
      position: 'absolute',
      left: 0,
      right: 0,
      bottom: 0,
      padding: space.s,
      backgroundColor: colours.night,
    },
  }),
);

interface MovingPictureProps {
  legId: string;
  kind: PictureKind;
  /** Whose it is, and of what: said to who does not see it. */
  label: string;
  /** One's own, as in a mirror. */
  isMine?: boolean;
  style?: StyleProp<ViewStyle>;
}

/** A picture of a meeting as it comes; where it comes no more, that is said over it. */
export function MovingPicture({ legId, kind, label, isMine = false, style }: MovingPictureProps) {
  const styles = useStyles();
  const { colours } = useTheme();
  const { pictures } = useServices();
  const stream = useSyncExternalStore(
    (changed) => pictures?.subscribe(changed) ?? (() => undefined),
    () => pictures?.streamOf(legId, kind) ?? null,
  );
  const rests = useSyncExternalStore(
    (changed) => pictures?.subscribe(changed) ?? (() => undefined),
    () => pictures?.rests(legId, kind) ?? false,
  );
  const [place] = useState(() => ({}));
  const [rows, setRows] = useState(0);
  useEffect(() => {
    if (isMine || !pictures) return;
    pictures.look(place, { legId, kind, rows });
    return () => pictures.look(place, null);
  }, [pictures, place, isMine, legId, kind, rows]);
  const element = useRef<HTMLVideoElement>(null);
  // A screen on which nothing moves gives nothing new, and is whole all the same.
  const isStill = useIsStill(element, kind === 'camera' ? stream : null);
  const said = rests
    ? `Rests: the network carries only ${isMine ? 'your' : 'the'} voice`
    : stream === null
      ? 'On its way'
      : isStill
        ? 'Stands still'
        : null;
  return (
    <View
      style={[styles.frame, style]}
      role="img"
      aria-label={label}
      onLayout={({ nativeEvent: { layout } }) => setRows(Math.round(layout.height * window.devicePixelRatio))}
    >
      <Film {...{ stream, element }} isWhole={kind === 'screen'} isMirrored={isMine && kind === 'camera'} />
      {said === null ? null : (
        <View style={styles.said}>
          <Txt as="small" colour={colours.onNight}>
            {said}
          </Txt>
        </View>
      )}
    </View>
  );
}

function useIsStill(video: RefObject<HTMLVideoElement | null>, stream: MediaStream | null): boolean {
  const [isStill, setStill] = useState(false);
  useEffect(() => {
    const element = video.current;
    if (!element || !stream || !('requestVideoFrameCallback' in element)) return;
    let last = performance.now();
    let asked = element.requestVideoFrameCallback(function came() {
      last = performance.now();
      asked = element.requestVideoFrameCallback(came);
    });
    const timer = setInterval(() => {
      // What nobody looks at is not drawn.
      if (document.visibilityState === 'hidden') last = performance.now();
      setStill(performance.now() - last > stillMs);
    }, 1_000);
    return () => {
      clearInterval(timer);
      element.cancelVideoFrameCallback(asked);
      setStill(false);
    };
  }, [video, stream]);
  return isStill;
}
