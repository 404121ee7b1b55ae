import { useEffect, useRef, useState, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';

import type { Background } from '@/core/calls/backgrounds';
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

const backgroundWords = [
  { value: 'none', word: 'As it is' },
  { value: 'blurred', word: 'Blurred' },
  { value: 'plain', word: 'Plain' },
] as const;
const noBackground =
  'What is behind you can’t be hidden by this browser, or not now: it is seen as it is. Nobody sees you yet.';
const tooSlow =
  'This device is too slow to hide what is behind you, so your picture would hardly move. It is as it is.';

/** What is seen before it is shown to anybody: by which camera, and with what behind whoever is before it. */
interface Opened {
  stream: MediaStream;
  background: Background;
  deviceId: string;
}

interface CameraChoiceProps {
  /** Shows it to the others from then on, and closes it in the end. Gives whether it is shown. */
  onShow: (stream: MediaStream) => Promise<boolean>;
  /** Why it was not, the last time. */
  refusal?: ReactNode;
  /** What was chosen to be behind them the last time, and what takes down what is now. */
  usual?: Background;
  onBackground?: (background: Background) => void;
}

/** One sees oneself before anybody else does; and with which camera. */
export function CameraChoice({
  onShow,
  refusal,
  usual = 'none',
  onBackground = () => undefined,
}: CameraChoiceProps) {
  const styles = useStyles();
  const [cameraId, setCameraId] = useState<string | null>(null);
  const [cameras, setCameras] = useState<readonly MediaDeviceInfo[]>([]);
  const [there, setThere] = useState<Opened | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [turn, setTurn] = useState(0);
  const [background, setBackground] = useState(usual);
  /** Why nothing is hidden. */
  const [open, setOpen] = useState<string | null>(null);
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
        const { deviceId = '' } = opened.getVideoTracks()[0]?.getSettings() ?? {};
        const hidden = background === 'none' ? null : await hide(opened, background);
        if (hidden) opened = hidden;
        if (isGone) return close();
        if (background !== 'none' && !hidden) return seeAsItIs(noBackground);
        setThere({ stream: opened, background, deviceId });
        setProblem(null);
        const devices = await navigator.mediaDevices.enumerateDevices();
        if (!isGone) setCameras(devices.filter(({ kind }) => kind === 'videoinput'));
      } catch (error) {
        if (!isGone) setProblem(faultWords[pictureFaultOf(error)]);
      }
    };
    const hide = async (camera: MediaStream, behind: Exclude<Background, 'none'>) => {
      try {
        const { hideBackground } = await import('@/workers/hideBackground');
        const onTooSlow = () => {
          // Whoever is seen already goes on as they chose to be.
          if (!isGone && given.current !== opened) seeAsItIs(tooSlow);
        };
        return (await hideBackground(camera, { background: behind, onTooSlow })).stream;
      } catch (error) {
        console.warn('What is behind could not be hidden:', error);
        return null;
      }
    };
    const seeAsItIs = (why: string) => {
      close();
      setBackground('none');
      setOpen(why);
    };
    void openIt();
    return () => {
      isGone = true;
      setThere(null);
      close();
    };
  }, [cameraId, turn, background]);
  // What was opened otherwise than is chosen now is shown to nobody.
  const stream = there?.background === background ? there.stream : null;
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
      <Txt as="small">
        {stream === null && problem === null && background !== 'none'
          ? 'What is behind you is being hidden …'
          : 'Nobody sees it yet. To the others it is not mirrored.'}
      </Txt>
      {cameras.length > 1 ? (
        <Choice
          label="Camera"
          value={cameraId ?? there?.deviceId ?? ''}
          options={cameras.map(({ deviceId, label }, index) => ({
            value: deviceId,
            word: label === '' ? `Camera ${index + 1}` : label,
          }))}
          onChoose={setCameraId}
        />
      ) : null}
      <Choice
        asStrip
        label="Behind you"
        value={background}
        options={backgroundWords}
        onChoose={(chosen) => {
          setOpen(null);
          setBackground(chosen);
          onBackground(chosen);
        }}
      />
      <Problem sentence={open} />
      {problem === null ? (
        <Plate kind="main" large word="Show my picture" disabled={!stream} onPress={() => void show()} />
      ) : (
        <Plate word="Try again" onPress={() => setTurn(turn + 1)} />
      )}
    </View>
  );
}
