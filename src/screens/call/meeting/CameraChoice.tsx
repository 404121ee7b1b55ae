import { useEffect, useRef, useState, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';

import type { PictureFault } from '@/office/picturing';
import { Choice } from '@/ui/field';
import { Problem } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';

import { Film } from './Film';
import { fetchPicturing, notFetched } from './useMeetingActs';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    stack: { gap: space.m },
    frame: { aspectRatio: 16 / 9, backgroundColor: colours.night, overflow: 'hidden' },
  }),
);

const faultWords: Readonly<Record<PictureFault, string>> = {
  refused:
    'The camera was refused. You are heard as before: to be seen, allow it in the browser’s settings for this page, then try again.',
  none: 'No camera is plugged in.',
  taken: 'The camera can’t be opened: another program may be using it.',
  unable: 'This browser gives no camera.',
};

interface CameraChoiceProps {
  /** Shows it to the others from then on, and closes it in the end. Gives whether it is shown. */
  onShow: (stream: MediaStream) => Promise<boolean>;
  /** Why it was not, the last time. */
  refusal?: ReactNode;
}

/** One sees oneself before anybody else does; and with which camera. */
export function CameraChoice({ onShow, refusal }: CameraChoiceProps) {
  const styles = useStyles();
  const [cameraId, setCameraId] = useState<string | null>(null);
  const [cameras, setCameras] = useState<readonly MediaDeviceInfo[]>([]);
  const [stream, setStream] = useState<MediaStream | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [turn, setTurn] = useState(0);
  /** Handed on to the meeting: it is not closed with the sheet. */
  const given = useRef<MediaStream | null>(null);
  useEffect(() => {
    let isGone = false;
    let opened: MediaStream | null = null;
    const close = () => {
      if (opened && opened !== given.current) for (const track of opened.getTracks()) track.stop();
    };
    const openIt = async () => {
      const picturing = await fetchPicturing().catch(() => null);
      if (!picturing) return isGone ? undefined : setProblem(notFetched);
      const { openCamera, pictureFaultOf } = picturing;
      try {
        opened = await openCamera(cameraId);
        if (isGone) return close();
        setStream(opened);
        setProblem(null);
        const there = await navigator.mediaDevices.enumerateDevices();
        if (!isGone) setCameras(there.filter(({ kind }) => kind === 'videoinput'));
      } catch (error) {
        if (!isGone) setProblem(faultWords[pictureFaultOf(error)]);
      }
    };
    void openIt();
    return () => {
      isGone = true;
      setStream(null);
      close();
    };
  }, [cameraId, turn]);
  const show = async () => {
    if (!stream) return;
    given.current = stream;
    // Refused, it was closed; one looks anew.
    if (!(await onShow(stream))) setTurn(turn + 1);
  };
  return (
    <View style={styles.stack}>
      <Problem sentence={problem} />
      {refusal}
      <View style={styles.frame} role="img" aria-label="What your camera sees">
        <Film stream={stream} isMirrored />
      </View>
      <Txt as="small">Nobody sees it yet. To the others it is not mirrored.</Txt>
      {cameras.length > 1 ? (
        <Choice
          label="Camera"
          value={cameraId ?? stream?.getVideoTracks()[0]?.getSettings().deviceId ?? ''}
          options={cameras.map(({ deviceId, label }, index) => ({
            value: deviceId,
            word: label === '' ? `Camera ${index + 1}` : label,
          }))}
          onChoose={setCameraId}
        />
      ) : null}
      {problem === null ? (
        <Plate kind="main" large word="Show my picture" disabled={!stream} onPress={() => void show()} />
      ) : (
        <Plate word="Try again" onPress={() => setTurn(turn + 1)} />
      )}
    </View>
  );
}
