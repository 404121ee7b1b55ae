import { useEffect, useRef, useState, useSyncExternalStore } from 'react';
import { StyleSheet, View } from 'react-native';

import type { PictureKind } from '@/core/calls/meetings';
import { useServices } from '@/state/app';
import { Problem } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';

import { Film } from './Film';
import { fetchPicturing, notFetched } from './useMeetingActs';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    stack: { gap: space.m },
    // What is larger than that is gone over with the thumb.
    frame: { height: 320, overflow: 'scroll', backgroundColor: colours.night },
  }),
);

/** More rows than any picture is sent in: it is wanted as it is. */
const originalRows = 4_320;
const noWindow = 'The browser opened no window for it. It is seen here as before.';

interface PictureSizesProps {
  legId: string;
  kind: PictureKind;
  /** Whose it is, and of what. */
  title: string;
  onClose: () => void;
}

/** A picture in its original size, one point of it for each of the screen: to be gone over, to fill the screen, or in a window of its own. */
export function PictureSizes({ legId, kind, title, onClose }: PictureSizesProps) {
  const styles = useStyles();
  const { pictures } = useServices();
  const frame = useRef<View>(null);
  const video = useRef<HTMLVideoElement>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const stream = useSyncExternalStore(
    (changed) => pictures?.subscribe(changed) ?? (() => undefined),
    () => pictures?.streamOf(legId, kind) ?? null,
  );
  const size = useSizeOf(video, stream);
  const [place] = useState(() => ({}));
  useEffect(() => {
    pictures?.look(place, { legId, kind, rows: originalRows });
    return () => pictures?.look(place, null);
  }, [pictures, place, legId, kind]);
  const fill = () => {
    const element = frame.current as unknown as HTMLElement | null;
    void element?.requestFullscreen?.().catch(() => undefined);
  };
  const undock = async () => {
    const picturing = await fetchPicturing().catch(() => null);
    if (!picturing) return setProblem(notFetched);
    if (!pictures || !picturing.canUndock()) return setProblem(noWindow);
    await picturing.undock(pictures, { legId, kind, title }).then(onClose, () => setProblem(noWindow));
  };
  return (
    <View style={styles.stack}>
      <Problem sentence={problem} />
      <View ref={frame} style={styles.frame} role="img" aria-label={`${title}, original size`} tabIndex={0}>
        <View style={{ margin: 'auto', width: size?.width ?? '100%', height: size?.height ?? '100%' }}>
          <Film stream={stream} element={video} isWhole />
        </View>
      </View>
      <Txt as="small">
        {stream === null
          ? 'It is not shown any more.'
          : size === null
            ? 'On its way'
            : `${size.columns} by ${size.rows} points, each as it is sent here.`}
      </Txt>
      <Plate word="Fill the screen with it" disabled={stream === null} onPress={fill} />
      <Plate word="In a window of its own" disabled={stream === null} onPress={() => void undock()} />
    </View>
  );
}

/** How large a picture comes; in what a screen measures by, that is fewer where it has several points for each. */
function useSizeOf(video: React.RefObject<HTMLVideoElement | null>, stream: MediaStream | null) {
  const [size, setSize] = useState<{ columns: number; rows: number } | null>(null);
  useEffect(() => {
    const element = video.current;
    if (!element) return;
    const look = () =>
      setSize(element.videoWidth > 0 ? { columns: element.videoWidth, rows: element.videoHeight } : null);
    element.addEventListener('resize', look);
    element.addEventListener('loadeddata', look);
    return () => {
      element.removeEventListener('resize', look);
      element.removeEventListener('loadeddata', look);
    };
  }, [video, stream]);
  return size && { ...size, width: size.columns / devicePixelRatio, height: size.rows / devicePixelRatio };
}
